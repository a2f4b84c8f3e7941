-- Whether learners are told what is missing of something that is closed and listed. -----------------------
alter table step add tells boolean not null default true;
alter table module add tells boolean not null default true;
