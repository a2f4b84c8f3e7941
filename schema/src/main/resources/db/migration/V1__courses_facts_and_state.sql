-- People and courses ------------------------------------------------------------------------------
create table person (
  id bigint generated always as identity primary key,
  name text not null check (name <> ''),
  email text not null unique check (email = lower(email)),
  password_hash text not null,
  administrator boolean not null default false,
  created_at timestamptz not null
);

create table course (
  id bigint generated always as identity primary key,
  name text not null check (name <> ''),
  summary text not null default '',
  cohort text not null default '',
  zone text not null,
  starts_at timestamptz not null,
  weeks int not null check (weeks between 1 and 520),
  issuer text not null default '',
  published_version int not null default 0
);

create table learner_group (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  name text not null check (name <> ''),
  unique (course_id, name)
);

create table staff (
  course_id bigint not null references course,
  person_id bigint not null references person,
  role text not null check (role in ('designer', 'facilitator', 'support')),
  group_id bigint references learner_group,
  primary key (course_id, person_id)
);
create index staff_by_person on staff (person_id);

-- Design: what designers edit, each row with a version for safe editing ---------------------------
create table scale (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  name text not null check (name <> ''),
  levels jsonb not null,
  mastery int not null
);

create table outcome (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  scale_id bigint not null references scale,
  code text not null check (code <> ''),
  name text not null check (name <> ''),
  description text not null default '',
  method text not null check (method in ('MOST_RECENT', 'BEST', 'MEAN')),
  position int not null,
  version int not null default 1,
  deleted_at timestamptz
);
create unique index outcome_code on outcome (course_id, code) where deleted_at is null;

create table module (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  name text not null check (name <> ''),
  position int not null,
  published boolean not null default true,
  strict_order boolean not null default false,
  opens_when jsonb,
  done_when jsonb,
  listed boolean not null default true,
  stays_open boolean not null default true,
  version int not null default 1,
  deleted_at timestamptz
);
create index module_by_course on module (course_id, position);

create table step (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  module_id bigint not null references module,
  kind text not null check (kind in ('PAGE', 'QUIZ', 'ASSIGNMENT', 'PRACTICAL')),
  name text not null check (name <> ''),
  position int not null,
  required boolean not null default true,
  published boolean not null default true,
  opens_when jsonb,
  done_when jsonb not null,
  listed boolean not null default true,
  stays_open boolean not null default true,
  opens_at timestamptz,
  due_at timestamptz,
  closes_at timestamptz,
  minutes int not null default 10 check (minutes between 1 and 10000),
  points double precision not null default 0 check (points >= 0),
  pass_mark double precision not null default 0 check (pass_mark between 0 and 1),
  attempts int not null default 0 check (attempts >= 0),
  content jsonb not null,
  ties jsonb not null default '[]',
  audience jsonb not null default '{"groups":[],"people":[]}',
  version int not null default 1,
  deleted_at timestamptz
);
create index step_by_module on step (module_id, position);
create index step_by_course on step (course_id);

create table badge (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  module_id bigint references module,
  name text not null check (name <> ''),
  description text not null default '',
  picture jsonb not null,
  earned_when jsonb,
  surprise boolean not null default false,
  position int not null,
  version int not null default 1,
  deleted_at timestamptz
);
create index badge_by_course on badge (course_id, position);

create table flag (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  name text not null check (name <> ''),
  flag_when jsonb not null,
  position int not null
);
create index flag_by_course on flag (course_id, position);

-- What learners get: each publication whole and unchangeable --------------------------------------
create table course_version (
  course_id bigint not null references course,
  number int not null,
  published_at timestamptz not null,
  published_by bigint not null references person,
  document jsonb not null,
  primary key (course_id, number)
);

-- Learners: facts are only ever added, the snapshot follows from them ------------------------------
create table enrolment (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  person_id bigint not null references person,
  practice boolean not null default false,
  enrolled_at timestamptz not null,
  design_version int not null,
  as_of timestamptz not null,
  next_at timestamptz,
  thread text not null default '',
  share double precision not null default 0,
  last_here timestamptz,
  completed_at timestamptz,
  waiting int not null default 0,
  latches jsonb not null,
  summary jsonb not null,
  unique (course_id, person_id, practice)
);
create index enrolment_by_person on enrolment (person_id);
create index enrolment_due on enrolment (next_at) where next_at is not null;

create sequence fact_id;
create table fact (
  id bigint not null default nextval('fact_id'),
  course_id bigint not null,
  enrolment_id bigint not null,
  at timestamptz not null,
  by_id bigint,
  kind text not null,
  body jsonb not null,
  replaces bigint,
  primary key (id, at)
) partition by range (at);
create table fact_2026 partition of fact for values from ('2026-01-01Z') to ('2027-01-01Z');
create table fact_2027 partition of fact for values from ('2027-01-01Z') to ('2028-01-01Z');
create table fact_2028 partition of fact for values from ('2028-01-01Z') to ('2029-01-01Z');
create table fact_other partition of fact default;
create index fact_by_enrolment on fact (enrolment_id, at, id);

create table handed_in (
  enrolment_id bigint not null references enrolment on delete cascade,
  step_id bigint not null references step,
  version int not null,
  body text not null,
  at timestamptz not null,
  primary key (enrolment_id, step_id, version)
);

create table attempt (
  enrolment_id bigint not null references enrolment on delete cascade,
  step_id bigint not null references step,
  number int not null,
  design_version int not null,
  answers jsonb not null default '{}',
  started_at timestamptz not null,
  finished_at timestamptz,
  result jsonb,
  primary key (enrolment_id, step_id, number)
);

-- Letters: written in the transaction of the act, sent afterwards ---------------------------------
create table letter (
  id bigint generated always as identity primary key,
  course_id bigint not null references course,
  sender_id bigint references person,
  recipient_id bigint not null references person,
  subject text not null,
  body text not null,
  created_at timestamptz not null,
  send_from timestamptz not null,
  sent_at timestamptz,
  tries int not null default 0,
  last_error text
);
create index letter_unsent on letter (send_from) where sent_at is null;
create index letter_by_recipient on letter (recipient_id, course_id, created_at);

-- Sign-in -----------------------------------------------------------------------------------------
create table spring_session (
  primary_id char(36) not null primary key,
  session_id char(36) not null unique,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100)
);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
  attribute_name varchar(200) not null,
  attribute_bytes bytea not null,
  primary key (session_primary_id, attribute_name)
);
create table failed_sign_in (
  email text not null,
  address text not null,
  at timestamptz not null
);
create index failed_sign_in_recent on failed_sign_in (email, at);
