-- What promises of money, the drawer and the bank wrote down stays as it was written.
do $$
declare of_table text;
begin
  foreach of_table in array array['plan_charge', 'collection', 'extra_charge', 'tax_move', 'write_off', 'held_transfer',
    'drawer_move', 'drawer_count', 'banking_slip', 'card_settlement', 'banked', 'reminder'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function refuse_change()', of_table || '_fixed', of_table);
  end loop;
end $$;
--> statement-breakpoint
-- Of a due only what is put on it changes, and that by its trigger.
create or replace function due_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or (to_jsonb(new) - 'filled' is distinct from to_jsonb(old) - 'filled'
      and not moves_to_joined(to_jsonb(old), to_jsonb(new))) then
    raise exception 'a due does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
-- Of a plan only its end and the card kept for it change.
create function plan_keeps_its_terms() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or old.ended_on is not null
     or (to_jsonb(new) - array['ended_on', 'ended_as', 'card'] is distinct from to_jsonb(old) - array['ended_on', 'ended_as', 'card']) then
    if tg_op = 'UPDATE' and moves_to_joined(to_jsonb(old), to_jsonb(new)) then return new; end if;
    raise exception 'the terms of a plan do not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger plan_fixed before update or delete on plan for each row execute function plan_keeps_its_terms();
--> statement-breakpoint
-- No charge is earned or given back that was never added.
create function plan_charge_stays_whole() returns trigger language plpgsql as $$
begin
  if (select sum(amount) from plan_charge where plan_id = new.plan_id) < 0 then
    raise exception 'more charge earned than was added to plan %', new.plan_id using errcode = 'check_violation', constraint = 'plan_charge_not_below_zero';
  end if;
  return null;
end $$;
--> statement-breakpoint
create trigger plan_charge_whole after insert on plan_charge for each row execute function plan_charge_stays_whole();
--> statement-breakpoint
create trigger plan_customer_stands before insert on plan for each row execute function customer_not_joined();
