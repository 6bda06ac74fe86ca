-- A letter that went out stays as it went; what a repeat made, it made once; files do not change under their papers.
create function refuse_sent_post_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    raise exception 'letters are not thrown away' using errcode = 'restrict_violation';
  end if;
  if old.state in ('sent', 'bounced') and
     (old.recipient, old.subject, old.body, old.message_id, old.sent_on) is distinct from
     (new.recipient, new.subject, new.body, new.message_id, new.sent_on) then
    raise exception 'a letter that went out does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger post_fixed before update or delete on post for each row execute function refuse_sent_post_change();
--> statement-breakpoint
create trigger repeat_run_fixed before update or delete on repeat_run for each row execute function refuse_change();
--> statement-breakpoint
create function file_keeps_its_body() returns trigger language plpgsql as $$
begin
  if to_jsonb(new) - 'owner_id' is distinct from to_jsonb(old) - 'owner_id' then
    raise exception 'a file does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger file_fixed before update on file for each row execute function file_keeps_its_body();
--> statement-breakpoint
create trigger mailbox_fixed before update or delete on mailbox for each row execute function refuse_change();
--> statement-breakpoint
-- Words are found anywhere in a name without reading every row.
create extension if not exists pg_trgm;
--> statement-breakpoint
create index goods_words on goods using gin ((coalesce(code, '') || ' ' || coalesce(name, '') || ' ' || coalesce(barcode, '')) gin_trgm_ops);
--> statement-breakpoint
create index customer_words on customer using gin ((coalesce(name, '') || ' ' || coalesce(contact, '') || ' ' || coalesce(email, '') || ' ' || coalesce(phone, '')) gin_trgm_ops);
--> statement-breakpoint
-- Two records of one customer may be joined: then, and only then, their posted papers move to the one that stays.
create or replace function refuse_change() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' and moves_to_joined(to_jsonb(old), to_jsonb(new)) then return new; end if;
  raise exception 'posted rows do not change: %', tg_table_name using errcode = 'restrict_violation';
end $$;
--> statement-breakpoint
create function moves_to_joined(before jsonb, now jsonb) returns boolean language sql stable as $$
  select before ? 'customer_id' and before - 'customer_id' = now - 'customer_id'
     and exists (select from customer where id = (before ->> 'customer_id')::integer and joined_to_id = (now ->> 'customer_id')::integer)
$$;
--> statement-breakpoint
create or replace function refuse_issued_change() returns trigger language plpgsql as $$
begin
  if old.status = 'issued' then
    if tg_op = 'UPDATE' and moves_to_joined(to_jsonb(old), to_jsonb(new)) then return new; end if;
    raise exception 'an issued invoice does not change: %', old.number using errcode = 'restrict_violation';
  end if;
  if tg_op = 'DELETE' then return old; end if;
  return new;
end $$;
--> statement-breakpoint
create or replace function due_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or ((new.id, new.invoice_id, new.sale_id, new.customer_id, new.issued_on, new.due_on, new.amount)
      is distinct from (old.id, old.invoice_id, old.sale_id, old.customer_id, old.issued_on, old.due_on, old.amount)
      and not moves_to_joined(to_jsonb(old), to_jsonb(new))) then
    raise exception 'a due does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
-- Who was joined gets no new papers. Raised as a conflict, so that a command that met the joining is tried again and told.
create function customer_not_joined() returns trigger language plpgsql as $$
begin
  if exists (select from customer where id = new.customer_id and joined_to_id is not null) then
    raise exception 'customer % was joined to another', new.customer_id using errcode = 'serialization_failure';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger sale_customer_stands before insert on sale for each row execute function customer_not_joined();
--> statement-breakpoint
create trigger invoice_customer_stands before insert on invoice for each row execute function customer_not_joined();
--> statement-breakpoint
create trigger receipt_customer_stands before insert on receipt for each row execute function customer_not_joined();
--> statement-breakpoint
create trigger held_move_customer_stands before insert on held_move for each row execute function customer_not_joined();
