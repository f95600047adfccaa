-- Sheets are immutable: a change is a new revision. Evidence is append-only: a mistake is struck out.

create table sheet_revision (
  key        text        not null check (key ~ '^[a-z][a-z0-9]*(-[a-z0-9]+)*$'),
  revision   integer     not null check (revision > 0),
  title      text        not null,
  family     text        not null,
  text       text        not null check (octet_length(text) <= 262144),
  parsed     jsonb       not null,
  hash       text        not null,
  created_at timestamptz not null,
  primary key (key, revision)
);

create table unit (
  id         uuid        primary key,
  tag        text        not null unique check (tag ~ '^[A-Z0-9][A-Z0-9-]{0,19}$'),
  title      text        not null check (length(title) between 1 and 120),
  model      text        not null default '' check (length(model) <= 120),
  place      text        not null default '' check (length(place) <= 120),
  created_at timestamptz not null
);

create table job (
  id             uuid        primary key,
  unit_id        uuid        not null references unit,
  sheet_key      text        not null,
  sheet_revision integer     not null,
  complaint      text        not null default '',
  permit         text        not null check (permit in ('isolated', 'live')),
  technician     text        not null default '' check (length(technician) <= 60),
  opened_at      timestamptz not null,
  closed_at      timestamptz,
  outcome        text        not null default '' check (length(outcome) <= 2000),
  struck_at      timestamptz,
  struck_why     text        not null default '' check (length(struck_why) <= 500),
  version        integer     not null default 1,
  foreign key (sheet_key, sheet_revision) references sheet_revision,
  check (struck_at is null or struck_why <> ''),
  check (closed_at is null or outcome <> '')
);
create index job_by_unit on job (unit_id, opened_at desc);
create index job_by_time on job (opened_at desc) where struck_at is null;

create table evidence (
  id         uuid        primary key,
  job_id     uuid        not null references job,
  number     integer     not null,
  body       jsonb       not null,
  taken_at   timestamptz not null,
  struck_at  timestamptz,
  struck_why text        not null default '' check (length(struck_why) <= 500),
  unique (job_id, number),
  check (struck_at is null or struck_why <> '')
);
