-- when a badge begins to end soon, and when its holder was told
alter table award add column soon_at timestamptz;
alter table award add column told_at timestamptz;
create index award_to_tell on award (soon_at) where soon_at is not null and told_at is null;
