-- Gives a database with all that is in it to the role that migrates it; run by a superuser at every
-- start, and finds nothing to do after the first. Everybody else may connect only if they are told so.
do $$
declare act text;
begin
  execute format('alter database %I owner to yendrik_owner', current_database());
  execute format('revoke all on database %I from public', current_database());
  execute format('grant connect on database %I to yendrik_app', current_database());
  alter schema public owner to yendrik_owner;
  for act in
    select format('alter table %s owner to yendrik_owner', c.oid::regclass)
    from pg_class c
    where c.relnamespace = 'public'::regnamespace
      and c.relkind in ('r', 'p', 'v', 'm')
      and pg_get_userbyid(c.relowner) <> 'yendrik_owner'
    union all
    select format('alter sequence %s owner to yendrik_owner', c.oid::regclass)
    from pg_class c
    where c.relnamespace = 'public'::regnamespace
      and c.relkind = 'S'
      and pg_get_userbyid(c.relowner) <> 'yendrik_owner'
      and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i'))
    union all
    select format('alter routine %s owner to yendrik_owner', p.oid::regprocedure)
    from pg_proc p
    where p.pronamespace = 'public'::regnamespace
      and pg_get_userbyid(p.proowner) <> 'yendrik_owner'
  loop
    execute act;
  end loop;
end $$;
