-- certificates on paper, each with a number in the institution's register
alter table institution add column certificates bigint not null default 0;

-- the publication up to which awards were looked through for what is to be printed
create table course_certified (
  course_id bigint primary key references course,
  version int not null
);

-- whether an award waits for its certificate
alter table award add column to_certify boolean not null default false;
create index award_to_certify on award (awarded_at) where to_certify;

create table certificate (
  id bigint generated always as identity primary key,
  award_id uuid not null references award,
  -- the publication that says how it is laid out
  design_version int not null,
  number text not null unique,
  -- by which anybody who has the paper checks it
  code text not null unique,
  -- the holder's, as it stands on the paper
  name text not null check (name <> ''),
  made_at timestamptz not null,
  -- empty for one that was made with its award
  made_by_id bigint references person,
  reason text not null default '',
  -- since when another one stands in its place
  replaced_at timestamptz
);
create unique index certificate_that_stands on certificate (award_id) where replaced_at is null;
create index certificate_by_award on certificate (award_id, made_at);

-- certificates that were printed at once, for whoever asked
create table printed (
  id uuid primary key,
  course_id bigint not null references course,
  person_id bigint not null references person,
  made_at timestamptz not null,
  content bytea not null
);
create index printed_by_age on printed (made_at);
