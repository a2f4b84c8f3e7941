-- When a course is complete; empty for the usual: every module is done
alter table course add complete_when jsonb, add completion_version int not null default 1;

-- Flags are changed, taken away and brought back like all of a draft
alter table flag add version int not null default 1, add deleted_at timestamptz;
