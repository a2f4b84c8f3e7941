-- What groups have at a step beyond everybody else: time, attempts, a later date -----------------------
alter table step add allowances jsonb not null default '[]';
