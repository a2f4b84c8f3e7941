-- A group that is over keeps its name for the history of those who were in it
alter table learner_group add column over_at timestamptz;
alter table learner_group drop constraint learner_group_course_id_name_key;
create unique index learner_group_name on learner_group (course_id, lower(name)) where over_at is null;
create index session_group on session (group_id) where group_id is not null;
create index staff_group on staff (group_id) where group_id is not null;
