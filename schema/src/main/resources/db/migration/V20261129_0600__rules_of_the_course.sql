-- Rules of a course as a whole: a strict order for all of it, and what is usual for steps of each kind. ----------
alter table course rename column completion_version to rules_version;
alter table course add strict_order boolean not null default false;
alter table course add usual_rules jsonb not null default '{}';
