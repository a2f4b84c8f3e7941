-- What files contain lies outside the database, each content once, under its SHA-256.
create table content (
  hash text primary key check (hash ~ '^[0-9a-f]{64}$'),
  bytes bigint not null check (bytes > 0),
  stored_at timestamptz not null
);

-- Files of before are moved out at the next start; until then they have parts and no hash.
alter table file add column hash text references content;
create index file_by_hash on file (hash);
-- Since when nothing speaks of a file; what stays so for long is taken away.
alter table file add column unused_since timestamptz;
