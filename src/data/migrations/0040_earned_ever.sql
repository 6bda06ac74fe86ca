CREATE TABLE "earned_sale" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "earned_sale_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"sale_id" integer,
	"income" bigint NOT NULL,
	"cost" bigint NOT NULL,
	CONSTRAINT "earned_sale_once" UNIQUE NULLS NOT DISTINCT("sale_id")
);

--> statement-breakpoint
-- The entry that closes a year takes nothing away from what was earned in it.
create or replace function add_to_earned_month() returns trigger language plpgsql as $$
begin
  insert into earned_month (month, sale_id, customer_id, income, cost)
  select date_trunc('month', l.on_day)::date, e.sale_id, case when e.sale_id is null then e.customer_id end,
         coalesce(sum(-l.amount) filter (where a.kind = 'income'), 0), coalesce(sum(l.amount) filter (where a.kind = 'expense'), 0)
    from added l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
   where e.source_kind <> 'year-end' and (a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, '5')))
   group by 1, 2, 3
  on conflict on constraint earned_month_once do update
    set income = earned_month.income + excluded.income, cost = earned_month.cost + excluded.cost;
  return null;
end $$;
--> statement-breakpoint
insert into earned_month (month, sale_id, customer_id, income, cost)
select date_trunc('month', l.on_day)::date, null::int, null::int,
       coalesce(sum(l.amount) filter (where a.kind = 'income'), 0), coalesce(sum(-l.amount) filter (where a.kind = 'expense'), 0)
  from entry_line l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
 where e.source_kind = 'year-end' and (a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, '5')))
 group by 1
on conflict on constraint earned_month_once do update
  set income = earned_month.income + excluded.income, cost = earned_month.cost + excluded.cost;
--> statement-breakpoint
create function add_to_earned_sale() returns trigger language plpgsql as $$
begin
  insert into earned_sale (sale_id, income, cost)
  select sale_id, sum(income), sum(cost) from added group by sale_id
  on conflict on constraint earned_sale_once do update
    set income = earned_sale.income + excluded.income, cost = earned_sale.cost + excluded.cost;
  return null;
end $$;
--> statement-breakpoint
create function change_earned_sale() returns trigger language plpgsql as $$
begin
  insert into earned_sale (sale_id, income, cost)
  select sale_id, sum(income), sum(cost) from (
    select sale_id, income, cost from changed union all select sale_id, -income, -cost from replaced) d group by sale_id
  on conflict on constraint earned_sale_once do update
    set income = earned_sale.income + excluded.income, cost = earned_sale.cost + excluded.cost;
  return null;
end $$;
--> statement-breakpoint
create trigger earned_month_counts after insert on earned_month referencing new table as added
  for each statement execute function add_to_earned_sale();
--> statement-breakpoint
create trigger earned_month_recounts after update on earned_month referencing new table as changed old table as replaced
  for each statement execute function change_earned_sale();
--> statement-breakpoint
insert into earned_sale (sale_id, income, cost) select sale_id, sum(income), sum(cost) from earned_month group by sale_id;
