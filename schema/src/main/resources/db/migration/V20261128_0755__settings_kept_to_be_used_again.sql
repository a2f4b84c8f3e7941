-- How quizzes are taken, kept by whoever plans them under a name of their own ----------------------------
create table quiz_settings (
  person_id bigint not null references person on delete cascade,
  name text not null,
  taking jsonb not null,
  attempts int not null check (attempts >= 0),
  counts text not null,
  pass_mark double precision not null check (pass_mark between 0 and 1),
  primary key (person_id, name)
);
