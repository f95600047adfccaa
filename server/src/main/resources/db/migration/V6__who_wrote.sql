-- Who wrote what, beside when; empty where nobody signed in.

alter table job add column opened_by text not null default '';
alter table job add column closed_by text not null default '';
alter table job add column struck_by text not null default '';
alter table evidence add column taken_by text not null default '';
alter table evidence add column struck_by text not null default '';
alter table sheet_revision add column created_by text not null default '';
alter table sheet_withdrawn add column withdrawn_by text not null default '';
alter table unit add column created_by text not null default '';
alter table meter add column created_by text not null default '';
alter table meter add column changed_at timestamptz;
alter table meter add column changed_by text not null default '';
alter table shop add column changed_at timestamptz;
alter table shop add column changed_by text not null default '';
