-- long work that somebody has begun: how far it is, and what came of it
create table job (
  id bigint generated always as identity primary key,
  course_id bigint not null references course on delete cascade,
  person_id bigint not null references person on delete cascade,
  what text not null,
  state text not null,
  stoppable boolean not null,
  stop_asked boolean not null default false,
  done integer not null default 0,
  total integer not null default 0,
  result jsonb,
  problem jsonb,
  begun_at timestamptz not null,
  heard_at timestamptz not null
);
create index job_mine on job (person_id, course_id);
create index job_begun_at on job (begun_at);
