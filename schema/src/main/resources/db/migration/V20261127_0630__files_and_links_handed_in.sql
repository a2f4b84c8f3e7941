alter table handed_in
  add column link text not null default '',
  add column files jsonb not null default '[]';

-- What is not handed in yet, so that it can be gone on with at another computer.
create table work_draft (
  enrolment_id bigint not null references enrolment on delete cascade,
  step_id bigint not null references step,
  body text not null,
  link text not null,
  files jsonb not null,
  at timestamptz not null,
  primary key (enrolment_id, step_id)
);
