-- The application works as a role of its own; the audit is read only to it.
do $$ begin
  if '${app}' <> '' and '${app}' <> current_user then
    execute format('grant usage on schema %I to %I', current_schema(), '${app}');
    execute format('grant select, insert, update, delete on all tables in schema %I to %I', current_schema(), '${app}');
    execute format('grant usage on all sequences in schema %I to %I', current_schema(), '${app}');
    execute format('revoke insert, update, delete on audit, flyway_schema_history from %I', '${app}');
  end if;
end $$;
