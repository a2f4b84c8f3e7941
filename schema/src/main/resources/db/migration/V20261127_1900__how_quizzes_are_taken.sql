-- Which attempt counts, where it is not the best -------------------------------------------------------
alter table step add counts text not null default 'BEST' check (counts in ('BEST', 'LATEST', 'FIRST', 'MEAN'));

-- When the time of an attempt is up, which page it has come to, and what is settled in it ----------------
alter table attempt add ends_at timestamptz;
alter table attempt add page int not null default 0;
alter table attempt add settled jsonb not null default '[]';
create index attempt_running on attempt (ends_at) where finished_at is null and ends_at is not null;
