-- each time a badge was awarded to somebody; follows from the facts, but for what makes it known outside
create table award (
  id uuid primary key,
  course_id bigint not null references course,
  enrolment_id bigint not null references enrolment,
  person_id bigint not null references person,
  badge_id bigint not null references badge,
  fact_id bigint not null unique,
  -- the publication that says what it means
  design_version int not null,
  awarded_at timestamptz not null,
  ends_at timestamptz,
  -- empty for one that was earned by its rule
  given_by_id bigint references person,
  reason text not null,
  evidence text,
  -- the level of each outcome that it stands for, as it was then
  levels jsonb not null,
  revoked_at timestamptz,
  revoked_reason text
);
create index award_by_course on award (course_id, badge_id, awarded_at);
create index award_by_enrolment on award (enrolment_id, badge_id, awarded_at);
create index award_by_person on award (person_id, awarded_at);
create index award_by_end on award (ends_at) where ends_at is not null and revoked_at is null;
