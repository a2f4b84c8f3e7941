-- What must be complete before somebody can be enrolled, and who waits for it. -------------------------------------
alter table course add prerequisites jsonb not null default '{"courses": [], "all": true, "hold": false}';
create table held_enrolment (
  course_id bigint not null references course,
  person_id bigint not null references person,
  asked_by bigint not null references person,
  asked_at timestamptz not null,
  primary key (course_id, person_id)
);
create index held_enrolment_by_person on held_enrolment (person_id);
