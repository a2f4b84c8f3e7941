-- Rubrics of courses, and of the institution's shelf where there is no course -----------------------
create table rubric (
  id bigint generated always as identity primary key,
  course_id bigint references course,
  name text not null check (name <> ''),
  criteria jsonb not null,
  -- keys of criteria and levels are never given twice
  last_key int not null,
  version int not null default 1,
  shelved_by bigint references person,
  shelved_at timestamptz,
  deleted_at timestamptz,
  check ((course_id is null) = (shelved_by is not null))
);
create index rubric_by_course on rubric (course_id) where deleted_at is null;
update course_version set document = document || '{"rubrics": {}}';
