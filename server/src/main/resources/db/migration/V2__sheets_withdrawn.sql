-- A withdrawn sheet is out of the library; its revisions stay for the jobs that were done by them.

create table sheet_withdrawn (
  key          text        primary key check (key ~ '^[a-z][a-z0-9]*(-[a-z0-9]+)*$'),
  withdrawn_at timestamptz not null
);
