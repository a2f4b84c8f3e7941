-- Outcomes stand in groups of any depth, named by their path, and can be retired --------------------
alter table outcome
  add group_path jsonb not null default '[]',
  add retired boolean not null default false;
