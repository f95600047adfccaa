-- What the list of jobs shows of a job is kept with it, so that no list has to assess.

alter table job add column complaint_title text not null default '';
alter table job add column readings integer not null default 0;
-- counts what was added or struck out; the leading suspect is that of the evidence at one count
alter table job add column changes integer not null default 0;
alter table job add column leading_suspect jsonb;
alter table job add column leading_of integer;

update job j set
  complaint_title = coalesce((
    select r.parsed -> 'complaints' -> j.complaint ->> 'title'
    from sheet_revision r
    where r.key = j.sheet_key and r.revision = j.sheet_revision), ''),
  readings = (select count(*) from evidence e where e.job_id = j.id and e.struck_at is null);
