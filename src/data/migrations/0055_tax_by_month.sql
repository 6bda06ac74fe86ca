CREATE TABLE "tax_month" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_month_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"month" date NOT NULL,
	"tax_code_id" integer NOT NULL,
	"component_id" integer,
	"net" bigint NOT NULL,
	"amount" bigint NOT NULL,
	CONSTRAINT "tax_month_once" UNIQUE NULLS NOT DISTINCT("month","tax_code_id","component_id")
);

--> statement-breakpoint
-- A document is issued once, with all its taxes written before, and what moves of tax later is never changed: each counts once.
create function add_tax_to_month() returns trigger language plpgsql as $$
begin
  insert into tax_month (month, tax_code_id, component_id, net, amount)
  select date_trunc('month', new.on_day)::date, tax_code_id, component_id,
         sum(case new.kind when 'credit-note' then -net else net end), sum(case new.kind when 'credit-note' then -amount else amount end)
    from invoice_tax where invoice_id = new.id group by 2, 3 order by 2, 3
  on conflict on constraint tax_month_once do update
    set net = tax_month.net + excluded.net, amount = tax_month.amount + excluded.amount;
  return null;
end $$;
--> statement-breakpoint
create trigger invoice_taxes_month after update of status on invoice for each row
  when (old.status <> 'issued' and new.status = 'issued') execute function add_tax_to_month();
--> statement-breakpoint
create function add_tax_moves_to_month() returns trigger language plpgsql as $$
begin
  insert into tax_month (month, tax_code_id, component_id, net, amount)
  select date_trunc('month', on_day)::date, tax_code_id, component_id, sum(net), sum(amount) from added group by 1, 2, 3 order by 1, 2, 3
  on conflict on constraint tax_month_once do update
    set net = tax_month.net + excluded.net, amount = tax_month.amount + excluded.amount;
  return null;
end $$;
--> statement-breakpoint
create trigger tax_move_to_month after insert on tax_move referencing new table as added
  for each statement execute function add_tax_moves_to_month();
--> statement-breakpoint
insert into tax_month (month, tax_code_id, component_id, net, amount)
select date_trunc('month', x.on_day)::date, x.tax_code_id, x.component_id, sum(x.net), sum(x.amount) from (
  select i.on_day, t.tax_code_id, t.component_id, case i.kind when 'credit-note' then -t.net else t.net end as net,
         case i.kind when 'credit-note' then -t.amount else t.amount end as amount
    from invoice i join invoice_tax t on t.invoice_id = i.id where i.status = 'issued'
  union all
  select on_day, tax_code_id, component_id, net, amount from tax_move) x
 group by 1, 2, 3 order by 1, 2, 3;
