-- Letters of the institution, about accounts, belong to no course
alter table letter alter column course_id drop not null;
-- A link by which the recipient sets a password is put in when it is sent, since only its hash is kept
alter table letter add column link boolean not null default false;

-- Whoever is added has no password until they set one
alter table person add column has_password boolean not null default true;
create index person_name on person (name, id);

-- Who did it, where it was done to somebody else's account
alter table account_event add column by_id bigint references person;
create index account_event_person on account_event (person_id, id);

-- An address is as long as mail takes it
alter table spring_session alter column principal_name type varchar(254);
