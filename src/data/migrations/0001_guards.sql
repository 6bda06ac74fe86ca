-- The database holds the line too: what is posted stays, entries balance, dues and held money cannot be overdrawn.

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'posted rows do not change: %', tg_table_name using errcode = 'restrict_violation';
end $$;
--> statement-breakpoint
create trigger entry_fixed before update or delete on entry for each row execute function refuse_change();
--> statement-breakpoint
create trigger entry_line_fixed before update or delete on entry_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger stock_move_fixed before update or delete on stock_move for each row execute function refuse_change();
--> statement-breakpoint
create trigger sale_version_fixed before update or delete on sale_version for each row execute function refuse_change();
--> statement-breakpoint
create trigger handover_fixed before update or delete on handover for each row execute function refuse_change();
--> statement-breakpoint
create trigger handover_line_fixed before update or delete on handover_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger receipt_fixed before update or delete on receipt for each row execute function refuse_change();
--> statement-breakpoint
create trigger receipt_void_fixed before update or delete on receipt_void for each row execute function refuse_change();
--> statement-breakpoint
create trigger refund_fixed before update or delete on refund for each row execute function refuse_change();
--> statement-breakpoint
create trigger due_fill_fixed before update or delete on due_fill for each row execute function refuse_change();
--> statement-breakpoint
create trigger held_move_fixed before update or delete on held_move for each row execute function refuse_change();
--> statement-breakpoint
create function refuse_issued_change() returns trigger language plpgsql as $$
begin
  if old.status = 'issued' then
    raise exception 'an issued invoice does not change: %', old.number using errcode = 'restrict_violation';
  end if;
  if tg_op = 'DELETE' then return old; end if;
  return new;
end $$;
--> statement-breakpoint
create trigger invoice_fixed before update or delete on invoice for each row execute function refuse_issued_change();
--> statement-breakpoint
create function refuse_issued_part_change() returns trigger language plpgsql as $$
declare of_invoice integer := coalesce(old.invoice_id, new.invoice_id);
begin
  if exists (select from invoice where id = of_invoice and status = 'issued') then
    raise exception 'the lines of an issued invoice do not change' using errcode = 'restrict_violation';
  end if;
  if tg_op = 'DELETE' then return old; end if;
  return new;
end $$;
--> statement-breakpoint
create trigger invoice_line_fixed before insert or update or delete on invoice_line for each row execute function refuse_issued_part_change();
--> statement-breakpoint
create trigger invoice_tax_fixed before insert or update or delete on invoice_tax for each row execute function refuse_issued_part_change();
--> statement-breakpoint
create function refuse_closed_period() returns trigger language plpgsql as $$
declare closed date := (select closed_through from business);
begin
  if new.on_day <= closed then
    raise exception 'the period through % is closed', closed using errcode = 'check_violation', constraint = 'period_closed';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger entry_in_open_period before insert on entry for each row execute function refuse_closed_period();
--> statement-breakpoint
create function entry_must_balance() returns trigger language plpgsql as $$
declare
  of_entry integer := case when tg_table_name = 'entry' then (to_jsonb(new) ->> 'id')::integer else (to_jsonb(new) ->> 'entry_id')::integer end;
  difference numeric;
  lines integer;
  days integer;
begin
  select coalesce(sum(l.amount), 0), count(*), count(*) filter (where l.on_day <> e.on_day)
    into difference, lines, days
    from entry e left join entry_line l on l.entry_id = e.id where e.id = of_entry;
  if difference <> 0 or lines < 2 or days > 0 then
    raise exception 'entry % does not balance: off by %', of_entry, difference
      using errcode = 'check_violation', constraint = 'entry_balances';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger entry_balances after insert on entry
  deferrable initially deferred for each row execute function entry_must_balance();
--> statement-breakpoint
-- Lines may only join an entry of the same transaction: an entry that stands is complete.
create function entry_line_joins_new_entry() returns trigger language plpgsql as $$
begin
  if not exists (select from entry e where e.id = new.entry_id and e.xmin::text::bigint = (txid_current() % 4294967296)) then
    raise exception 'an entry that was posted takes no more lines' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger entry_line_joins before insert on entry_line for each row execute function entry_line_joins_new_entry();
--> statement-breakpoint
-- Account sums by month, in account order so that two writers never wait for each other crosswise.
create function add_to_account_month() returns trigger language plpgsql as $$
begin
  insert into account_month (account_id, month, debit, credit)
    select account_id, date_trunc('month', on_day)::date,
           sum(greatest(amount, 0)), sum(greatest(-amount, 0))
      from added group by 1, 2 order by 1, 2
  on conflict (account_id, month) do update
    set debit = account_month.debit + excluded.debit, credit = account_month.credit + excluded.credit;
  return null;
end $$;
--> statement-breakpoint
create trigger entry_line_sums after insert on entry_line referencing new table as added
  for each statement execute function add_to_account_month();
--> statement-breakpoint
create function fill_due() returns trigger language plpgsql as $$
begin
  update due set filled = filled + new.amount where id = new.due_id;
  return null;
end $$;
--> statement-breakpoint
create trigger due_fill_counts after insert on due_fill for each row execute function fill_due();
--> statement-breakpoint
create function due_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or (new.id, new.invoice_id, new.sale_id, new.customer_id, new.issued_on, new.due_on, new.amount)
      is distinct from (old.id, old.invoice_id, old.sale_id, old.customer_id, old.issued_on, old.due_on, old.amount) then
    raise exception 'a due does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger due_fixed before update or delete on due for each row execute function due_keeps_its_amount();
--> statement-breakpoint
create function count_held() returns trigger language plpgsql as $$
begin
  insert into held (customer_id, sale_id, kind, amount) values (new.customer_id, new.sale_id, new.kind, 0)
  on conflict (customer_id, sale_id, kind) do nothing;
  update held set amount = amount + new.amount
    where customer_id = new.customer_id and sale_id is not distinct from new.sale_id and kind = new.kind;
  return null;
end $$;
--> statement-breakpoint
create trigger held_move_counts after insert on held_move for each row execute function count_held();
--> statement-breakpoint
create function count_shelf() returns trigger language plpgsql as $$
begin
  insert into shelf (goods_id, place_id, quantity, value) values (new.goods_id, new.place_id, 0, 0)
  on conflict (goods_id, place_id) do nothing;
  update shelf set quantity = quantity + new.quantity, value = value + new.value
    where goods_id = new.goods_id and place_id = new.place_id;
  return null;
end $$;
--> statement-breakpoint
create trigger stock_move_counts after insert on stock_move for each row execute function count_shelf();
