-- A publication may be for those only who enrol from then on, and for a moment to come. ------------------
alter table course_version add later boolean not null default false;

-- The newest version that everybody comes under; published_version is what new learners get.
alter table course add everyones_version int not null default 0;
update course set everyones_version = published_version;

create table planned_publication (
  course_id bigint primary key references course,
  at timestamptz not null,
  later boolean not null,
  document jsonb not null,
  by_id bigint not null references person,
  planned_at timestamptz not null
);
create index planned_publication_by_person on planned_publication (by_id);
