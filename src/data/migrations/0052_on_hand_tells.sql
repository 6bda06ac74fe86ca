-- Looks at sales are kept until something they were read from changes: what is on hand is among it.
create function on_hand_changes_goods() returns trigger language plpgsql as $$
begin
  insert into kept.change (what, id, by) select distinct 'g', a.goods_id, pg_current_xact_id() from added a on conflict do nothing;
  return null;
end $$;
--> statement-breakpoint
create trigger on_hand_added_to_goods after insert on on_hand referencing new table as added
  for each statement execute function on_hand_changes_goods();
--> statement-breakpoint
create trigger on_hand_changed_of_goods after update on on_hand referencing new table as added
  for each statement execute function on_hand_changes_goods();
