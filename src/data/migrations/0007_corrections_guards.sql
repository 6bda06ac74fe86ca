-- What is true today was true on every day: no running balance is below zero, or beyond its due, on any day in between.
do $$
declare of_table text;
begin
  foreach of_table in array array['refund_void', 'write_off_recovery', 'held_transfer_reversal', 'closing'] loop
    execute format('create trigger %I before update or delete on %I for each row execute function refuse_change()', of_table || '_fixed', of_table);
  end loop;
end $$;
--> statement-breakpoint
-- Tax of discounts taken before it was kept by due: it stands on the first due its entry filled.
alter table tax_move disable trigger tax_move_fixed;
--> statement-breakpoint
update tax_move t set due_id = (select min(f.due_id) from due_fill f where f.entry_id = t.entry_id and f.kind = t.why)
 where t.why in ('discount', 'write-off');
--> statement-breakpoint
alter table tax_move enable trigger tax_move_fixed;
--> statement-breakpoint
create function due_is_there() returns trigger language plpgsql as $$
begin
  if exists (select from due where id = new.due_id and issued_on > new.on_day) then
    raise exception 'due % is filled before it was owed', new.due_id using errcode = 'check_violation', constraint = 'due_filled_before_it_was';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger due_fill_after_due before insert on due_fill for each row execute function due_is_there();
--> statement-breakpoint
create function due_right_on_every_day() returns trigger language plpgsql as $$
begin
  if exists (
    select from (select on_day, sum(sum(amount)) over (order by on_day) as filled from due_fill where due_id = new.due_id group by on_day) r
      join due d on d.id = new.due_id
     where r.on_day >= new.on_day and (r.filled < 0 or r.filled > d.amount)) then
    raise exception 'due % is not right on every day', new.due_id using errcode = 'check_violation', constraint = 'due_right_on_every_day';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger due_fill_on_every_day after insert on due_fill
  deferrable initially deferred for each row execute function due_right_on_every_day();
--> statement-breakpoint
create function held_on_every_day() returns trigger language plpgsql as $$
begin
  if new.amount < 0
     and exists (select from held_move m where m.customer_id = new.customer_id and m.sale_id is not distinct from new.sale_id and m.kind = new.kind and m.on_day > new.on_day)
     and exists (
    select from (select on_day, sum(sum(amount)) over (order by on_day) as held from held_move
                  where customer_id = new.customer_id and sale_id is not distinct from new.sale_id and kind = new.kind group by on_day) r
     where r.on_day >= new.on_day and r.held < 0) then
    raise exception 'money is held below zero on some day' using errcode = 'check_violation', constraint = 'held_on_every_day';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger held_move_on_every_day after insert on held_move
  deferrable initially deferred for each row execute function held_on_every_day();
--> statement-breakpoint
create function shelf_on_every_day() returns trigger language plpgsql as $$
begin
  if new.quantity < 0
     and exists (select from stock_move m where m.goods_id = new.goods_id and m.place_id = new.place_id and m.on_day > new.on_day)
     and exists (
    select from (select on_day, sum(sum(quantity)) over (order by on_day) as there from stock_move
                  where goods_id = new.goods_id and place_id = new.place_id group by on_day) r
     where r.on_day >= new.on_day and r.there < 0) then
    raise exception 'goods % are below zero on some day', new.goods_id using errcode = 'check_violation', constraint = 'shelf_on_every_day';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger stock_move_on_every_day after insert on stock_move
  deferrable initially deferred for each row execute function shelf_on_every_day();
