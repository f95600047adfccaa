-- What a unit's plate, its parts and its paper say: added, struck out, never changed. Of a part one stands at a time.
create table unit_fact (
  id         uuid        primary key,
  unit_id    uuid        not null references unit,
  sheet_key  text        not null check (length(sheet_key) <= 80),
  part       text        not null check (length(part) <= 80),
  said       text        not null check (length(said) between 1 and 200),
  told_at    timestamptz not null,
  told_by    text        not null default '',
  struck_at  timestamptz,
  struck_by  text        not null default '',
  struck_why text        not null default '' check (length(struck_why) <= 500),
  check (struck_at is null or struck_why <> '')
);
create unique index unit_fact_standing on unit_fact (unit_id, sheet_key, part) where struck_at is null;
create index unit_fact_by_unit on unit_fact (unit_id, told_at);
create index unit_by_model on unit (model) where model <> '';
create trigger audited after insert or update on unit_fact for each row
  execute function audit_row('unit', 'unit_id', 'unit_id', 'struck_by told_by');
