-- Rubrics keep an identifier of their own over exports and imports ----------------------------------
alter table rubric add identifier uuid not null default gen_random_uuid();
create unique index rubric_identifier on rubric (course_id, identifier) where deleted_at is null;
