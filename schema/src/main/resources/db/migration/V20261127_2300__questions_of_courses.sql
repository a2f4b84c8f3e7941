-- Questions that any quiz of a course can ask, and the institution's shelf of them ----------------------
create table question (
  id bigint generated always as identity primary key,
  course_id bigint references course on delete cascade,
  version int not null default 1,
  content jsonb not null,
  tags jsonb not null default '[]',
  difficulty text check (difficulty in ('EASY', 'MIDDLING', 'HARD')),
  shelved_from bigint references course on delete set null,
  shelved_by bigint references person,
  shelved_at timestamptz,
  deleted_at timestamptz,
  check ((course_id is null) = (shelved_by is not null))
);
create index question_course on question (course_id);
create index question_shelved_from on question (shelved_from) where shelved_from is not null;

-- What a question asked in the versions that another one came after -------------------------------------
create table question_version (
  question_id bigint not null references question on delete cascade,
  number int not null,
  content jsonb not null,
  changed_by bigint not null references person,
  changed_at timestamptz not null,
  primary key (question_id, number)
);
