-- Whoever runs the application reads and writes rows, and nothing else.
do $$
declare part regclass;
begin
  -- An owner who runs it too is refused by the application
  if '${app}' = current_user then return; end if;

  -- Servers that start together say so one after the other
  perform pg_advisory_xact_lock(hashtext('yendrik rights'));

  grant usage on schema public to "${app}";
  grant select, insert, update, delete on all tables in schema public to "${app}";
  grant usage on all sequences in schema public to "${app}";

  -- What was migrated is the owner's business
  revoke all on flyway_schema_history from "${app}";

  -- Facts are added; a visit that goes on grows; those of a made-up learner go with them
  revoke update on fact from "${app}";
  grant update (body) on fact to "${app}";
  for part in select inhrelid from pg_inherits where inhparent = 'fact'::regclass loop
    execute format('revoke all on %s from "${app}"', part);
  end loop;
end $$;
