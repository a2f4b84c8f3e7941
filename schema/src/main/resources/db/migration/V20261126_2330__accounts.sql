-- What happened to accounts, for administrators to read; in the log as well
create table account_event (
  id bigint generated always as identity primary key,
  at timestamptz not null,
  what text not null,
  person_id bigint references person,
  email text not null,
  address text not null,
  browser text not null,
  session_id text,
  detail text not null
);
create index account_event_at on account_event (at);
create index account_event_session on account_event (session_id);

-- Links by which somebody sets a password, good once and for a while; only their hash is kept
create table password_link (
  token_hash text primary key,
  person_id bigint not null references person,
  made_at timestamptz not null,
  expires_at timestamptz not null
);

create index failed_sign_in_address on failed_sign_in (address, at);
