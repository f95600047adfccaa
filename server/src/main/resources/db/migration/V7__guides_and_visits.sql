-- Guides are immutable like sheets; what is told of a visit is append-only like evidence.

create table guide_revision (
  key        text        not null check (key ~ '^[a-z][a-z0-9]*(-[a-z0-9]+)*$'),
  revision   integer     not null check (revision > 0),
  title      text        not null,
  family     text        not null,
  text       text        not null check (octet_length(text) <= 262144),
  created_at timestamptz not null,
  created_by text        not null default '',
  primary key (key, revision)
);
create index guide_by_family on guide_revision (family, created_at desc);

-- a job keeps the revision that held when it was opened; empty where its family has no guide
alter table job add column guide_key text;
alter table job add column guide_revision integer;
alter table job add foreign key (guide_key, guide_revision) references guide_revision;
alter table job add column closed_as text not null default ''
  check (closed_as in ('', 'repaired', 'made-safe', 'not-reproduced', 'declined'));

-- what lists show of an open job, kept with its leading suspect
alter table job add column at_step text not null default '';
alter table job add column next_to_do text not null default '';

create table visit_entry (
  id         uuid        primary key,
  job_id     uuid        not null references job,
  number     integer     not null,
  kind       text        not null,
  subject    text        not null check (length(subject) <= 80),
  value      text        not null check (length(value) <= 500),
  told_at    timestamptz not null,
  told_by    text        not null default '',
  struck_at  timestamptz,
  struck_by  text        not null default '',
  struck_why text        not null default '' check (length(struck_why) <= 500),
  unique (job_id, number),
  check (struck_at is null or struck_why <> '')
);
