-- What checking a draft finds and its designers want so, each with the reason --------------------------
create table meant_finding (
  course_id bigint not null references course on delete cascade,
  finding text not null,
  reason text not null,
  by_id bigint not null references person,
  at timestamptz not null,
  primary key (course_id, finding)
);
