CREATE TABLE "earned_month" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "earned_month_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"month" date NOT NULL,
	"sale_id" integer,
	"customer_id" integer,
	"income" bigint NOT NULL,
	"cost" bigint NOT NULL,
	CONSTRAINT "earned_month_once" UNIQUE NULLS NOT DISTINCT("month","sale_id","customer_id")
);
--> statement-breakpoint
CREATE INDEX "earned_month_sale" ON "earned_month" USING btree ("sale_id");
--> statement-breakpoint
create function add_to_earned_month() returns trigger language plpgsql as $$
begin
  insert into earned_month (month, sale_id, customer_id, income, cost)
  select date_trunc('month', l.on_day)::date, e.sale_id, case when e.sale_id is null then e.customer_id end,
         coalesce(sum(-l.amount) filter (where a.kind = 'income'), 0), coalesce(sum(l.amount) filter (where a.kind = 'expense'), 0)
    from added l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
   where a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, '5'))
   group by 1, 2, 3
  on conflict on constraint earned_month_once do update
    set income = earned_month.income + excluded.income, cost = earned_month.cost + excluded.cost;
  return null;
end $$;
--> statement-breakpoint
create trigger entry_line_earned after insert on entry_line referencing new table as added
  for each statement execute function add_to_earned_month();
--> statement-breakpoint
create function move_earned_month() returns trigger language plpgsql as $$
begin
  insert into earned_month (month, sale_id, customer_id, income, cost)
  select month, sale_id, customer_id, 0, sum(cost) from (
    select date_trunc('month', e.on_day)::date as month, l.sale_id, null::int as customer_id, k.amount as cost
      from added k join entry e on e.id = k.entry_id join sale_line l on l.id = k.sale_line_id
    union all
    select date_trunc('month', e.on_day)::date, e.sale_id, case when e.sale_id is null then e.customer_id end, -k.amount
      from added k join entry e on e.id = k.entry_id where k.sale_line_id is not null) s
   group by 1, 2, 3
  on conflict on constraint earned_month_once do update set cost = earned_month.cost + excluded.cost;
  return null;
end $$;
--> statement-breakpoint
create trigger cost_share_earned after insert on cost_share referencing new table as added
  for each statement execute function move_earned_month();
--> statement-breakpoint
insert into earned_month (month, sale_id, customer_id, income, cost)
select date_trunc('month', l.on_day)::date, e.sale_id, case when e.sale_id is null then e.customer_id end,
       coalesce(sum(-l.amount) filter (where a.kind = 'income'), 0), coalesce(sum(l.amount) filter (where a.kind = 'expense'), 0)
  from entry_line l join entry e on e.id = l.entry_id join account a on a.id = l.account_id
 where a.kind = 'income' or (a.kind = 'expense' and starts_with(a.code, '5'))
 group by 1, 2, 3;
