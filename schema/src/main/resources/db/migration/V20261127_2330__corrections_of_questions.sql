-- What was put right about a question after it was asked, for attempts under publications up to one -----
create table question_correction (
  id bigint generated always as identity primary key,
  course_id bigint not null references course on delete cascade,
  step_id bigint not null references step,
  question text not null,
  what text not null check (what in ('RIGHT_ANSWER', 'LEFT_OUT', 'FULL_MARKS')),
  part jsonb check ((part is not null) = (what = 'RIGHT_ANSWER')),
  upto_version int not null,
  reason text not null,
  changed_by bigint not null references person,
  changed_at timestamptz not null,
  taken_back_by bigint references person,
  taken_back_at timestamptz,
  marked boolean not null default false
);
create index question_correction_step on question_correction (step_id);
create index question_correction_unmarked on question_correction (id) where not marked;
