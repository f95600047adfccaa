-- what is printed beside a meter's sockets (IEC 61010-1); of those that are there it is not known
alter table meter add column category text not null default '' check (category ~ '^(CAT (II|III|IV) [0-9]{2,4} V)?$');
