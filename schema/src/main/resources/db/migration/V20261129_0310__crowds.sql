-- The last crowd that walked through the draft of a course. ------------------------------------------------
create table crowd (
  course_id bigint primary key references course on delete cascade,
  person_id bigint not null references person,
  walked_at timestamptz not null,
  draft text not null,
  form int not null,
  asked jsonb not null,
  came jsonb not null
);
