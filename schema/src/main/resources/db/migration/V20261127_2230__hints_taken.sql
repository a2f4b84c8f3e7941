-- The questions of an attempt with which help was asked for, once for each hint --------------------------
alter table attempt add hints jsonb not null default '[]';
