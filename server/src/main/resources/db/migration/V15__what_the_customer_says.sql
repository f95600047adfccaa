-- What is complained of, as the customer says it; what it is read as is the complaint.
alter table job add column customer_words text not null default '' check (length(customer_words) <= 300);
