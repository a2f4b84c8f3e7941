-- Whether those are written to for whom a publication opens something. -------------------------------------
alter table course_version add tells boolean not null default false;
alter table planned_publication add tells boolean not null default false;
