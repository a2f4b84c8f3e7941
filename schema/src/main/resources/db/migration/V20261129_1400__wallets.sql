-- how this installation is known to a wallet that its administrators listed
create table wallet_client (
  wallet text primary key,
  address text not null,
  authorize_at text not null,
  token_at text not null,
  client_id text not null,
  client_secret text not null,
  made_at timestamptz not null
);

-- somebody who is on their way to a wallet to allow that badges are put there
create table wallet_ask (
  state text primary key,
  person_id bigint not null references person,
  wallet text not null,
  verifier text not null,
  -- what is to be sent when it is allowed
  award_id uuid references award,
  asked_at timestamptz not null
);

-- what somebody's wallet allows
create table wallet_link (
  person_id bigint not null references person,
  wallet text not null,
  access_token text not null,
  refresh_token text,
  ends_at timestamptz not null,
  linked_at timestamptz not null,
  primary key (person_id, wallet)
);

-- which badges are in which wallet
create table sent_badge (
  award_id uuid not null references award,
  wallet text not null,
  sent_at timestamptz not null,
  primary key (award_id, wallet)
);
