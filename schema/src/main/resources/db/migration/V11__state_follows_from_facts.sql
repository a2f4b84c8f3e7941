-- Under which version of the design a learner is, and since when, is a fact ---------------------------
insert into fact (course_id, enrolment_id, at, kind, body)
select e.course_id, e.id, e.enrolled_at, 'came-under', jsonb_build_object('version', coalesce(
  (select max(v.number) from course_version v
   where v.course_id = e.course_id and v.published_at <= e.enrolled_at),
  (select min(v.number) from course_version v where v.course_id = e.course_id)))
from enrolment e
where not e.practice
  and exists (select 1 from course_version v where v.course_id = e.course_id);
insert into fact (course_id, enrolment_id, at, kind, body)
select e.course_id, e.id, v.published_at, 'came-under', jsonb_build_object('version', v.number)
from enrolment e
join course_version v on v.course_id = e.course_id and v.published_at > e.enrolled_at
where not e.practice
  and v.number > (select min(w.number) from course_version w where w.course_id = e.course_id)
order by e.id, v.number;

-- The form in which what is derived was kept; what is older is worked out anew from the facts ---------
alter table enrolment
  add form int not null default 0,
  add failures int not null default 0,
  add failed_until timestamptz;

-- Completions, and what became of them, wait here until the person's other courses know ---------------
create table completion_news (
  id bigint generated always as identity primary key,
  person_id bigint not null references person,
  course_id bigint not null references course,
  tries int not null default 0,
  try_from timestamptz not null
);
create index completion_news_due on completion_news (try_from);
update enrolment set summary = summary || '{"inDoubt": [], "heldBack": [], "left": false}';

-- Choices stand in an order of their own for each attempt, under names that tell nothing -------------
alter table attempt add seed bigint not null default (floor(random() * 9007199254740991))::bigint;

-- What the check of each night found, begun by one server only ----------------------------------------
create table state_check (
  night date primary key,
  began_at timestamptz not null,
  finished_at timestamptz,
  learners int not null default 0,
  differing int not null default 0
);

-- What the facts add up to, beside the state, so that an act reads no facts; ids of facts in blocks ---
alter table enrolment add sums jsonb not null default '{}';
alter sequence fact_id increment by 16;

-- An act that a client repeats under the same key gives its first answer ------------------------------
create table act_key (
  person_id bigint not null references person,
  key uuid not null,
  request text not null,
  at timestamptz not null,
  status int,
  media_type text,
  body text,
  primary key (person_id, key)
);
create index act_key_at on act_key (at);
