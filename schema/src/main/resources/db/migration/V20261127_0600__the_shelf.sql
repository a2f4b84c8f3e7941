-- Each thing on the shelf is a small course of its own, which nobody learns in.
alter table course add column shelf boolean not null default false;
create table shelf_item (
  course_id bigint primary key references course on delete cascade,
  what text not null check (what in ('module', 'step')),
  summary text not null,
  shelved_by bigint not null references person,
  shelved_at timestamptz not null
);

-- To try things in, without learners; it can be wound back to empty.
alter table course add column practice boolean not null default false;

-- Who may make courses besides administrators.
alter table person add column makes_courses boolean not null default false;
