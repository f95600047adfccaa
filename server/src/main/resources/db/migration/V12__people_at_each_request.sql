-- Who is at work is decided at each request by what stands here: a session names the epoch it began in, and a person
-- whose role or password changes, or who retires, is in the next one.
alter table person add column epoch integer not null default 1;

-- What this person's unsent entries are encrypted by on a device; two random UUIDs, 244 random bits.
alter table person add column device_key text not null
  default replace(gen_random_uuid()::text || gen_random_uuid()::text, '-', '');

-- A second factor (RFC 6238): its secret, since when it is asked for, and the last time step that was used.
alter table person add column factor_secret text;
alter table person add column factor_since timestamptz;
alter table person add column factor_step bigint not null default 0;
create table recovery_code (
  login text not null references person on delete cascade,
  hash  text not null,
  primary key (login, hash)
);
alter table shop add column second_factor boolean not null default false;

-- Tries to sign in are counted before a password is looked at, for logins that exist and for those that do not.
create table sign_in_try (
  login        text        primary key,
  failures     integer     not null,
  locked_until timestamptz,
  last_at      timestamptz not null
);
create index sign_in_try_by_age on sign_in_try (last_at);
insert into sign_in_try (login, failures, locked_until, last_at)
  select login, failures, locked_until, now() from person where failures > 0;
alter table person drop column failures, drop column locked_until;

drop trigger audited on person;
create trigger audited after insert or update on person for each row execute function audit_row('person', 'login',
  'login password version epoch device_key factor_secret factor_step', 'changed_by created_by');
drop trigger audited on shop;
create trigger audited after update on shop for each row
  execute function audit_row('policy', 'one', 'one version', 'changed_by');

-- A token belongs to the person who made it; those that nobody made let nobody in.
update api_token t set revoked_at = now()
  where revoked_at is null and not exists (select 1 from person p where p.login = t.created_by and p.retired_at is null);
