-- A framework is drafted as a course is and has no learners; courses adopt its outcomes and scales --
alter table course add framework boolean not null default false;

-- The words of what was adopted are the framework's as of the version that the course decided on ----
alter table outcome
  add adopted_from bigint references outcome,
  add decided_version int,
  add check ((adopted_from is null) = (decided_version is null));
create unique index outcome_adopted on outcome (course_id, adopted_from) where deleted_at is null;
alter table scale
  add adopted_from bigint references scale,
  add decided_version int,
  add check ((adopted_from is null) = (decided_version is null));
create unique index scale_adopted on scale (course_id, adopted_from) where deleted_at is null;
