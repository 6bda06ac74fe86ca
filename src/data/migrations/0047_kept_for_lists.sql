create extension if not exists pg_trgm;
--> statement-breakpoint
CREATE TABLE "paper_month" (
	"paper" text NOT NULL,
	"month" date NOT NULL,
	"count" integer NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"gross" bigint NOT NULL,
	CONSTRAINT "paper_month_paper_month_pk" PRIMARY KEY("paper","month")
);
--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "last_on" date;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "paid_on" date;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "in_money" boolean DEFAULT true NOT NULL;--> statement-breakpoint
CREATE INDEX "entry_words" ON "entry" USING gin ("text" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "sale_title_words" ON "sale" USING gin ("title" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "sale_order_words" ON "sale" USING gin ("purchase_order" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "sale_number_words" ON "sale" USING gin (("number"::text) gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "sale_order" ON "sale" USING btree ("number" DESC NULLS LAST,"id" DESC);--> statement-breakpoint
CREATE INDEX "sale_line_to_bill" ON "sale_line" USING btree ("sale_id") WHERE "sale_line"."handed_over" > "sale_line"."billed";--> statement-breakpoint
CREATE INDEX "handover_line_earned" ON "handover_line" USING btree ("handover_id") WHERE "handover_line"."earned" <> 0;--> statement-breakpoint
CREATE INDEX "goods_received_list" ON "goods_received" USING btree ("number" DESC NULLS LAST,"id" DESC);--> statement-breakpoint
CREATE INDEX "purchase_order_order" ON "purchase_order" USING btree ("number" DESC NULLS LAST,"id" DESC);--> statement-breakpoint
CREATE INDEX "invoice_number_words" ON "invoice" USING gin ("number" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "invoice_order" ON "invoice" USING btree ("number" DESC NULLS LAST,"id" DESC);--> statement-breakpoint
CREATE INDEX "invoice_line_ahead" ON "invoice_line" USING btree ("invoice_id") WHERE "invoice_line"."ahead" <> 0;--> statement-breakpoint
CREATE INDEX "due_last" ON "due" USING btree ("last_on","issued_on");--> statement-breakpoint
CREATE INDEX "due_paid" ON "due" USING btree ("paid_on") WHERE "due"."filled" = "due"."amount" and "due"."in_money";--> statement-breakpoint
CREATE INDEX "receipt_number_words" ON "receipt" USING gin ("number" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "receipt_reference_words" ON "receipt" USING gin ("reference" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "receipt_order" ON "receipt" USING btree ("number" DESC NULLS LAST,"id" DESC);--> statement-breakpoint
CREATE INDEX "bill_order" ON "bill" USING btree ("on_day" DESC NULLS LAST,"id" DESC);
--> statement-breakpoint
-- Of a due only what is put on it changes, with what is kept of that, and only by the trigger of its fills.
create or replace function due_keeps_its_amount() returns trigger language plpgsql as $$
declare
  kept constant text[] := array['filled', 'last_on', 'paid_on', 'in_money'];
begin
  if tg_op = 'DELETE' or (to_jsonb(new) - kept is distinct from to_jsonb(old) - kept
      and not moves_to_joined(to_jsonb(old), to_jsonb(new))) then
    raise exception 'a due does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create or replace function fill_due() returns trigger language plpgsql as $$
begin
  update due
     set filled = filled + new.amount, last_on = greatest(last_on, new.on_day),
         paid_on = case when new.amount > 0 then greatest(paid_on, new.on_day) else paid_on end,
         in_money = in_money and (new.amount <= 0 or new.kind in ('receipt', 'held', 'discount'))
   where id = new.due_id;
  return null;
end $$;
--> statement-breakpoint
alter table due disable trigger user;
--> statement-breakpoint
update due d
   set last_on = f.last_on, paid_on = f.paid_on, in_money = coalesce(f.in_money, true)
  from (select due_id, max(on_day) as last_on, max(on_day) filter (where amount > 0) as paid_on,
               bool_and(kind in ('receipt', 'held', 'discount')) filter (where amount > 0) as in_money
          from due_fill group by due_id) f
 where f.due_id = d.id;
--> statement-breakpoint
alter table due enable trigger user;
--> statement-breakpoint
-- What a month's papers come to, added up in the order of papers and months.
create function add_to_paper_month() returns trigger language plpgsql as $$
begin
  if tg_op <> 'DELETE' then
    insert into paper_month (paper, month, count, net, tax, gross)
    select kind, date_trunc('month', on_day)::date, count(*), sum(net), sum(tax), sum(gross) from added group by 1, 2 order by 1, 2
    on conflict (paper, month) do update
      set count = paper_month.count + excluded.count, net = paper_month.net + excluded.net,
          tax = paper_month.tax + excluded.tax, gross = paper_month.gross + excluded.gross;
  end if;
  if tg_op <> 'INSERT' then
    insert into paper_month (paper, month, count, net, tax, gross)
    select kind, date_trunc('month', on_day)::date, -count(*), -sum(net), -sum(tax), -sum(gross) from removed group by 1, 2 order by 1, 2
    on conflict (paper, month) do update
      set count = paper_month.count + excluded.count, net = paper_month.net + excluded.net,
          tax = paper_month.tax + excluded.tax, gross = paper_month.gross + excluded.gross;
  end if;
  return null;
end $$;
--> statement-breakpoint
create trigger invoice_added_to_month after insert on invoice referencing new table as added
  for each statement execute function add_to_paper_month();
--> statement-breakpoint
create trigger invoice_changed_in_month after update on invoice referencing new table as added old table as removed
  for each statement execute function add_to_paper_month();
--> statement-breakpoint
create trigger invoice_removed_from_month after delete on invoice referencing old table as removed
  for each statement execute function add_to_paper_month();
--> statement-breakpoint
create function add_receipts_to_month() returns trigger language plpgsql as $$
begin
  insert into paper_month (paper, month, count, net, tax, gross)
  select 'receipt', date_trunc('month', on_day)::date, count(*), 0, 0, sum(amount) from added group by 2 order by 2
  on conflict (paper, month) do update set count = paper_month.count + excluded.count, gross = paper_month.gross + excluded.gross;
  return null;
end $$;
--> statement-breakpoint
create trigger receipt_added_to_month after insert on receipt referencing new table as added
  for each statement execute function add_receipts_to_month();
--> statement-breakpoint
create function take_voids_from_month() returns trigger language plpgsql as $$
begin
  insert into paper_month (paper, month, count, net, tax, gross)
  select 'receipt', date_trunc('month', r.on_day)::date, -count(*), 0, 0, -sum(r.amount)
    from added v join receipt r on r.id = v.receipt_id group by 2 order by 2
  on conflict (paper, month) do update set count = paper_month.count + excluded.count, gross = paper_month.gross + excluded.gross;
  return null;
end $$;
--> statement-breakpoint
create trigger receipt_void_taken_from_month after insert on receipt_void referencing new table as added
  for each statement execute function take_voids_from_month();
--> statement-breakpoint
insert into paper_month (paper, month, count, net, tax, gross)
select kind, date_trunc('month', on_day)::date, count(*), sum(net), sum(tax), sum(gross) from invoice group by 1, 2
union all
select 'receipt', date_trunc('month', on_day)::date, count(*), 0, 0, sum(amount) from receipt r
 where not exists (select from receipt_void v where v.receipt_id = r.id) group by 2;
