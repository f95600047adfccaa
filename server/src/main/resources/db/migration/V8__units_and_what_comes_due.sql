-- a unit's plate, and who changed it last
alter table unit add column serial text not null default '' check (length(serial) <= 120);
alter table unit add column version integer not null default 1;
alter table unit add column changed_by text not null default '';

-- a visit may follow another on the same unit
alter table job add column follows uuid references job;
create index job_follows on job (follows) where follows is not null;

-- whole days on which somebody comes back: told when a visit is signed off, settled once
create table appointment (
  id         uuid        primary key,
  job_id     uuid        not null references job,
  unit_id    uuid        not null references unit,
  kind       text        not null check (kind in ('follow-up', 'prevention')),
  title      text        not null check (length(title) <= 200),
  due_on     date        not null,
  made_at    timestamptz not null,
  made_by    text        not null default '',
  settled_at timestamptz,
  settled_by text        not null default '',
  settled_as text        not null default '' check (length(settled_as) <= 500),
  check (settled_at is null or settled_as <> '')
);
create index appointment_due on appointment (due_on) where settled_at is null;
create index appointment_by_unit on appointment (unit_id);

-- what the jobs are searched by; a dash before a figure is no minus here
alter table unit add column words tsvector generated always as (
  to_tsvector('simple', regexp_replace(
    tag || ' ' || title || ' ' || model || ' ' || serial || ' ' || place, '[^[:alnum:]]+', ' ', 'g'))) stored;
alter table job add column words tsvector generated always as (
  to_tsvector('simple', regexp_replace(
    sheet_key || ' ' || complaint_title || ' ' || technician || ' ' || outcome || ' ' || closed_as || ' '
      || coalesce(leading_suspect ->> 'title', ''), '[^[:alnum:]]+', ' ', 'g'))) stored;
create index unit_words on unit using gin (words);
create index job_words on job using gin (words);
-- open ones first, then the latest
create index job_listed on job ((closed_at is not null), opened_at desc) where struck_at is null;

-- a run that was watched is one entry with all its events
alter table visit_entry drop constraint visit_entry_value_check;
alter table visit_entry add constraint visit_entry_value_check check (length(value) <= 4000);

-- what was checked on the bench and kept, of no job: what was typed, and the verdict as it was
create table bench_result (
  id        uuid        primary key,
  check_key text        not null,
  typed     text        not null check (length(typed) <= 4000),
  note      text        not null default '' check (length(note) <= 200),
  grade     text        not null,
  verdict   text        not null,
  kept_at   timestamptz not null,
  kept_by   text        not null default ''
);
create index bench_result_by_time on bench_result (kept_at desc);
