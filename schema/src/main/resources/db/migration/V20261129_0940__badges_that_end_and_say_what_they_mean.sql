-- how long a badge is valid, and how it is renewed
alter table badge add column validity jsonb not null
  default '{"lasting": {"is": "always"}, "soonDays": 30}';
-- its drawing, and what it says outside the course
alter table badge add column face jsonb;
update badge set face = jsonb_build_object('picture', jsonb_build_object(
  'art', jsonb_build_object(
    'shape', upper(picture ->> 'shape'),
    'sign', 'own-' || (picture ->> 'sign'),
    'colour', upper(picture ->> 'colour')),
  'alt', ''));
alter table badge alter column face set not null;
alter table badge drop column picture;

-- publications hold the same
update course_version set document = (document - 'pictures') || jsonb_build_object('faces', coalesce(
  (select jsonb_object_agg(p.key, jsonb_build_object('picture', jsonb_build_object(
     'art', jsonb_build_object(
       'shape', upper(p.value ->> 'shape'),
       'sign', 'own-' || (p.value ->> 'sign'),
       'colour', upper(p.value ->> 'colour')),
     'alt', '')))
   from jsonb_each(document -> 'pictures') p), '{}'::jsonb));

-- pictures of one's own, by the hash of their content
create table badge_picture (
  hash text primary key,
  media_type text not null,
  content bytea not null,
  uploaded_by bigint references person,
  uploaded_at timestamptz not null
);
