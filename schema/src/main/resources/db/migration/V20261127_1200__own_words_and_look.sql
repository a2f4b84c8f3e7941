-- what an institution, a course or a step says to learners in words of its own, by moment
alter table institution add column own_words jsonb not null default '{"texts": {}}';
alter table course add column own_words jsonb not null default '{"texts": {}}';
alter table step add column own_words jsonb not null default '{"texts": {}}';

-- an institution has colours for two places in two schemes
update institution set colours = '{"colours": {}}';
alter table institution rename column colours to look;
alter table institution alter column look set default '{"colours": {}}';

-- what stands beside the institution's name, small enough to be kept here
create table institution_picture (
  id integer primary key default 1 check (id = 1) references institution,
  hash text not null,
  media_type text not null,
  content bytea not null
);
