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
create trigger file_fixed before update on file for each row execute function refuse_change();
--> statement-breakpoint
create trigger mailbox_fixed before update or delete on mailbox for each row execute function refuse_change();
--> statement-breakpoint
-- Words are found anywhere in a name without reading every row.
create extension if not exists pg_trgm;
--> statement-breakpoint
create index goods_words on goods using gin ((coalesce(code, '') || ' ' || coalesce(name, '') || ' ' || coalesce(barcode, '')) gin_trgm_ops);
--> statement-breakpoint
create index customer_words on customer using gin ((coalesce(name, '') || ' ' || coalesce(contact, '') || ' ' || coalesce(email, '') || ' ' || coalesce(phone, '')) gin_trgm_ops);
