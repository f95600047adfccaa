-- A visit without a complaint: limits, lockout and times tried.
alter table job drop constraint job_closed_as_check;
alter table job add constraint job_closed_as_check
  check (closed_as in ('', 'repaired', 'made-safe', 'not-reproduced', 'service', 'declined'));
