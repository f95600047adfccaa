-- a sheet that was typed as shorthand keeps what was typed beside the full text it became
alter table sheet_revision add column shorthand text check (octet_length(shorthand) <= 32768);
