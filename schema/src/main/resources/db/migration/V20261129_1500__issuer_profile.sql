-- what whoever meets a badge is told of its issuer beside the name
alter table institution
  add column issuer_address text not null default '',
  add column issuer_email text not null default '';
