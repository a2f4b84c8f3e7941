-- Outcomes keep an identifier of their own over exports, imports and changes of wording -------------
alter table outcome add identifier uuid not null default gen_random_uuid();
create unique index outcome_identifier on outcome (course_id, identifier) where deleted_at is null;
alter table course add identifier uuid not null default gen_random_uuid();
alter table outcome add changed_at timestamptz not null default now();
