-- How an outcome's level follows from evidence, or which others it is made of ------------------------
alter table outcome add level_rule jsonb, add made_of jsonb;
update outcome set level_rule = jsonb_build_object(
  'method', jsonb_build_object('is', lower(replace(method, '_', '-'))), 'fewest', 1);
alter table outcome alter level_rule set not null, drop column method;

-- Levels have keys that stay when others come to stand around them; scales can be edited ------------
alter table scale
  add version int not null default 1,
  add deleted_at timestamptz;
update scale set levels = (
  select jsonb_agg(l.value || jsonb_build_object('key', l.ordinality - 1) order by l.ordinality)
  from jsonb_array_elements(levels) with ordinality l);

-- The same in what was published -------------------------------------------------------------------
update course_version set document = jsonb_set(document, '{design,outcomes}', coalesce((
  select jsonb_agg(
    (o.value - 'method') || jsonb_build_object(
      'levelRule', jsonb_build_object(
        'method', jsonb_build_object('is', lower(replace(o.value ->> 'method', '_', '-'))),
        'fewest', 1),
      'scale', jsonb_set(o.value -> 'scale', '{levels}', (
        select jsonb_agg(l.value || jsonb_build_object('key', l.ordinality - 1) order by l.ordinality)
        from jsonb_array_elements(o.value #> '{scale,levels}') with ordinality l)))
    order by o.ordinality)
  from jsonb_array_elements(document #> '{design,outcomes}') with ordinality o), '[]'::jsonb));
