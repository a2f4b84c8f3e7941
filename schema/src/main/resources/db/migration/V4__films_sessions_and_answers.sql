-- Files are kept in parts, so that any stretch can be sent without reading the whole ---------------
create table file (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  name text not null check (name <> ''),
  media_type text not null,
  bytes bigint not null check (bytes > 0),
  uploaded_by bigint not null references person,
  uploaded_at timestamptz not null
);
create index file_by_course on file (course_id);
create table file_part (
  file_id bigint not null references file on delete cascade,
  number int not null,
  content bytea not null,
  primary key (file_id, number)
);

alter table step
  drop constraint step_kind_check,
  add constraint step_kind_check
    check (kind in ('PAGE', 'VIDEO', 'QUIZ', 'ASSIGNMENT', 'PRACTICAL'));

-- Sessions with a register --------------------------------------------------------------------------
create table session (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  group_id bigint references learner_group,
  name text not null check (name <> ''),
  starts_at timestamptz not null,
  minutes int not null check (minutes between 5 and 1440),
  version int not null default 1,
  deleted_at timestamptz
);
create index session_by_course on session (course_id, starts_at);
update enrolment set summary = summary || '{"sessions": {}}';
insert into flag (course_id, name, flag_when, position)
select id, 'Absent',
  '{"is": "ask", "id": "absent", "leaf": {"is": "attendance-under", "share": 0.75}}', 4
from course;

-- Letters can be answered ---------------------------------------------------------------------------
alter table letter
  add answers bigint references letter,
  add read_at timestamptz;
create index letter_by_sender on letter (sender_id, course_id, created_at);
