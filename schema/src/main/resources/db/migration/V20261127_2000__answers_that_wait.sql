-- How many answers of a finished attempt staff have still to mark --------------------------------------
alter table attempt add waits int not null default 0 check (waits >= 0);
create index attempt_waiting on attempt (enrolment_id, step_id) where waits > 0;
