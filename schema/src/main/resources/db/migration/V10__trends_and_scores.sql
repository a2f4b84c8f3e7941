-- How levels moved, beside the snapshot since no list of learners needs it --------------------------
alter table enrolment add trend jsonb not null default '{"moves": {}}';
-- What was scored, for the grid of grades ------------------------------------------------------------
update enrolment set summary = summary || '{"scores": {}}';
