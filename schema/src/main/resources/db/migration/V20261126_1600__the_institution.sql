-- the institution that runs this installation: one row
create table institution (
  id integer primary key default 1 check (id = 1),
  name text not null,
  -- who issues its badges and certificates, where a course does not say otherwise
  issuer text not null,
  -- colours of the theme by name, in place of those that ship
  colours jsonb not null default '{}',
  -- sentences of the catalogue by key, in place of those that ship
  words jsonb not null default '{}'
);
insert into institution (name, issuer) values ('Yendrik', 'Yendrik');
