-- The private address under which somebody's dates are read by another calendar.
create table calendar_feed (
  person_id bigint primary key references person on delete cascade,
  token_hash text not null unique,
  made_at timestamptz not null
);
