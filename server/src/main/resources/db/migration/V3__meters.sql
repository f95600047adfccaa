-- The meters a shop owns, with the figures of the maker's sheet. Readings name them, so none is deleted.

create table meter (
  id                 text        primary key check (id ~ '^[a-z][a-z0-9]*(-[a-z0-9]+)*$'),
  name               text        not null check (length(name) between 1 and 80),
  counts             integer     not null check (counts between 200 and 10000000),
  volts_ac_share     float8      not null check (volts_ac_share > 0 and volts_ac_share <= 0.2),
  volts_dc_share     float8      not null check (volts_dc_share > 0 and volts_dc_share <= 0.2),
  ohms_share         float8      not null check (ohms_share > 0 and ohms_share <= 0.2),
  volts_ohms         float8      not null check (volts_ohms between 1e3 and 1e12),
  low_impedance_ohms float8      not null check (low_impedance_ohms between 1e2 and 1e12),
  buzzer_ohms        float8      not null check (buzzer_ohms between 1 and 1e4),
  lead_ohms          float8      not null check (lead_ohms between 0 and 10),
  over_limit_ohms    float8      not null check (over_limit_ohms between 1e3 and 1e12),
  retired_at         timestamptz,
  created_at         timestamptz not null,
  version            integer     not null default 1
);
