-- the keys that badges are signed with; only the application's role reads them
create table issuer_key (
  id bigint generated always as identity primary key,
  edwards_secret bytea not null,
  edwards_open bytea not null,
  rsa_secret bytea not null,
  rsa_open bytea not null,
  did_key text not null unique,
  did_jwk text not null unique,
  made_at timestamptz not null,
  -- what it signed still checks
  retired_at timestamptz
);
create unique index issuer_key_in_use on issuer_key ((retired_at is null)) where retired_at is null;

-- an award as it goes outside; signed once, after the act that brought it
create table credential (
  award_id uuid primary key references award,
  -- its place in the lists of what was revoked
  place bigint generated always as identity unique,
  issuer_key_id bigint not null references issuer_key,
  salt text not null,
  proved text not null,
  token text not null,
  signed_at timestamptz not null,
  -- since when its holder shows it to everybody
  published_at timestamptz
);
