CREATE INDEX "change_by" ON "kept"."change" USING btree ("by");
--> statement-breakpoint
-- What customers are called is read beside a kept look at a sale, and remembered with it by who looked.
create function customer_tells_name() returns trigger language plpgsql as $$
begin
  insert into kept.change (what, id, by)
  select distinct 'c', a.id, pg_current_xact_id() from added a join removed r on r.id = a.id where a.name <> r.name on conflict do nothing;
  return null;
end $$;
--> statement-breakpoint
create trigger customer_tells_name after update on customer referencing new table as added old table as removed
  for each statement execute function customer_tells_name();
