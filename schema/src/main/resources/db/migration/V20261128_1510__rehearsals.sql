-- What designers rehearse with a made-up learner, with what they expect of it -------------------------
create table rehearsal (
  id bigint generated always as identity primary key,
  course_id bigint not null references course on delete cascade,
  name text not null,
  lines jsonb not null,
  position int not null,
  version int not null default 1,
  deleted_at timestamptz
);
create index rehearsal_course on rehearsal (course_id);
