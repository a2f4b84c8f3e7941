-- What learners and staff write in discussions and journals.
create table post (
  id bigint generated always as identity primary key,
  course_id bigint not null references course on delete cascade,
  step_id bigint not null references step,
  -- The group among which it is, where each discusses by itself
  group_id bigint references learner_group,
  -- Whose journal it is in
  journal_of bigint references enrolment on delete cascade,
  -- The way on which a learner wrote it; none of staff
  enrolment_id bigint references enrolment on delete cascade,
  practice boolean not null,
  by_id bigint not null references person,
  -- The post that a reply belongs to, which is itself no reply
  in_reply_to bigint references post on delete cascade,
  body text not null,
  files jsonb not null,
  at timestamptz not null,
  changed_at timestamptz,
  removed_at timestamptz,
  removed_by bigint references person
);
create index post_of_step on post (step_id, group_id, journal_of);
create index post_in_thread on post (in_reply_to, id);
create index post_of_course on post (course_id);
create index post_of_enrolment on post (enrolment_id);
create index post_of_journal on post (journal_of);

-- Up to which post of a thread somebody has read.
create table thread_read (
  post_id bigint not null references post on delete cascade,
  person_id bigint not null references person,
  upto bigint not null,
  primary key (post_id, person_id)
);
