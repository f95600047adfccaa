-- How a job is to be done, and how jobs of this shop are done unless told otherwise.

alter table job add column policy jsonb not null default '{}';

create table shop (
  one    boolean primary key default true check (one),
  policy jsonb   not null default '{}',
  version integer not null default 1
);
insert into shop default values;
