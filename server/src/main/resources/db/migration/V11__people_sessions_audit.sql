-- Who may sign in. The password is kept as the framework hashes it; nobody is deleted, since writes name them.

create table person (
  login        text        primary key check (login ~ '^[a-z][a-z0-9.-]{1,39}$'),
  name         text        not null check (length(name) between 1 and 60),
  role         text        not null check (role in ('viewer', 'apprentice', 'technician', 'lead')),
  password     text        not null,
  password_at  timestamptz not null default now(),
  failures     integer     not null default 0,
  locked_until timestamptz,
  retired_at   timestamptz,
  created_at   timestamptz not null,
  created_by   text        not null default '',
  changed_by   text        not null default '',
  version      integer     not null default 1
);

-- A script's way in: shown once, kept as a hash, with a role and an end.
create table api_token (
  id         uuid        primary key,
  title      text        not null check (length(title) between 1 and 60),
  role       text        not null check (role in ('viewer', 'apprentice', 'technician', 'lead')),
  hash       text        not null unique,
  ends_at    timestamptz not null,
  revoked_at timestamptz,
  created_at timestamptz not null,
  created_by text        not null default '',
  changed_by text        not null default ''
);

-- As Spring Session JDBC 4.1 has them, in PostgreSQL's spelling.
create table spring_session (
  primary_id            char(36)     primary key,
  session_id            char(36)     not null unique,
  creation_time         bigint       not null,
  last_access_time      bigint       not null,
  max_inactive_interval integer      not null,
  expiry_time           bigint       not null,
  principal_name        varchar(100)
);
create index spring_session_by_end on spring_session (expiry_time);
create index spring_session_by_name on spring_session (principal_name);
create table spring_session_attributes (
  session_primary_id char(36)     not null references spring_session on delete cascade,
  attribute_name     varchar(200) not null,
  attribute_bytes    bytea        not null,
  primary key (session_primary_id, attribute_name)
);

-- whose job it is (empty: anybody's), who changed it last, and who permitted live work on it
alter table job add column owner text not null default '';
alter table job add column changed_by text not null default '';
alter table job add column live_by text not null default '';

-- a sheet that is put back stays known as having been withdrawn
alter table sheet_withdrawn add column restored_at timestamptz;
alter table sheet_withdrawn add column restored_by text not null default '';

-- What was changed, by whom and when: written by the database itself in the transaction of the change, so that no
-- code can forget it. The application's role may only read it (see afterMigrate.sql).
create table audit (
  id      bigint      generated always as identity primary key,
  at      timestamptz not null default now(),
  by      text        not null,
  subject text        not null,
  key     text        not null,
  act     text        not null,
  what    jsonb       not null
);
create index audit_by_subject on audit (subject, key, id desc);

-- audit_row(subject, its key's column, columns left out, columns that say who, the latest first)
create function audit_row() returns trigger language plpgsql security definer set search_path from current as $$
declare
  was jsonb := case when tg_op = 'UPDATE' then to_jsonb(old) else '{}' end;
  is_now jsonb := to_jsonb(new);
  by_whom text[] := string_to_array(tg_argv[3], ' ');
  left_out text[] := string_to_array(tg_argv[2], ' ') || by_whom || '{created_at,changed_at}';
  who text := '';
  col text;
  what jsonb;
begin
  select coalesce(jsonb_object_agg(k, v), '{}') into what
  from jsonb_each(is_now) as e(k, v)
  where was -> k is distinct from v and not k = any(left_out) and (tg_op = 'UPDATE' or v not in ('null', '""'));
  if what = '{}' then
    return null;
  end if;
  foreach col in array by_whom loop
    who := is_now ->> col;
    exit when who <> '';
  end loop;
  insert into audit (by, subject, key, act, what)
  values (coalesce(who, ''), tg_argv[0], is_now ->> tg_argv[1],
    tg_table_name || case when tg_op = 'UPDATE' then ' changed' else ' added' end, what);
  return null;
end $$;

create trigger audited after insert or update on job for each row execute function audit_row('job', 'id',
  'id unit_id words complaint_title readings changes leading_suspect leading_of at_step next_to_do version',
  'struck_by closed_by changed_by opened_by');
create trigger audited after insert or update on evidence for each row
  execute function audit_row('job', 'job_id', 'job_id', 'struck_by taken_by');
create trigger audited after insert or update on visit_entry for each row
  execute function audit_row('job', 'job_id', 'job_id', 'struck_by told_by');
create trigger audited after insert or update on appointment for each row
  execute function audit_row('job', 'job_id', 'job_id unit_id', 'settled_by made_by');
create trigger audited after insert or update on sheet_revision for each row
  execute function audit_row('sheet', 'key', 'key text parsed shorthand hash', 'created_by');
create trigger audited after insert or update on sheet_withdrawn for each row
  execute function audit_row('sheet', 'key', 'key', 'restored_by withdrawn_by');
create trigger audited after insert or update on guide_revision for each row
  execute function audit_row('guide', 'key', 'key text', 'created_by');
create trigger audited after insert or update on unit for each row
  execute function audit_row('unit', 'tag', 'id words version', 'changed_by created_by');
create trigger audited after insert or update on meter for each row
  execute function audit_row('meter', 'id', 'id version', 'changed_by created_by');
create trigger audited after update on shop for each row
  execute function audit_row('policy', 'one', 'one version', 'changed_by');
create trigger audited after insert or update on person for each row
  execute function audit_row('person', 'login', 'login password version failures locked_until', 'changed_by created_by');
create trigger audited after insert or update on api_token for each row
  execute function audit_row('token', 'id', 'id hash', 'changed_by created_by');
