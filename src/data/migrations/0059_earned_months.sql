-- A sale whose months all lie in a span is read with what it earned altogether; only those that cross an end are added up.
ALTER TABLE "earned_sale" ADD COLUMN "first_month" date;
--> statement-breakpoint
ALTER TABLE "earned_sale" ADD COLUMN "last_month" date;
--> statement-breakpoint
update earned_sale s set first_month = m.first_month, last_month = m.last_month
  from (select coalesce(sale_id, 0) as sale_id, min(month) as first_month, max(month) as last_month from earned_month group by 1) m
 where m.sale_id = coalesce(s.sale_id, 0);
--> statement-breakpoint
ALTER TABLE "earned_sale" ALTER COLUMN "first_month" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "earned_sale" ALTER COLUMN "last_month" SET NOT NULL;
--> statement-breakpoint
CREATE INDEX "earned_sale_months" ON "earned_sale" USING btree ("first_month","last_month");
--> statement-breakpoint
CREATE INDEX "earned_sale_crossing" ON "earned_sale" USING btree ("last_month","first_month") WHERE "earned_sale"."first_month" < "earned_sale"."last_month";
--> statement-breakpoint
create or replace function add_to_earned_sale() returns trigger language plpgsql as $$
begin
  insert into earned_sale (sale_id, income, cost, first_month, last_month)
  select sale_id, sum(income), sum(cost), min(month), max(month) from added group by sale_id
  on conflict on constraint earned_sale_once do update
    set income = earned_sale.income + excluded.income, cost = earned_sale.cost + excluded.cost,
        first_month = least(earned_sale.first_month, excluded.first_month), last_month = greatest(earned_sale.last_month, excluded.last_month);
  return null;
end $$;
--> statement-breakpoint
create or replace function change_earned_sale() returns trigger language plpgsql as $$
begin
  insert into earned_sale (sale_id, income, cost, first_month, last_month)
  select sale_id, sum(income), sum(cost), min(month), max(month) from (
    select sale_id, income, cost, month from changed union all select sale_id, -income, -cost, month from replaced) d group by sale_id
  on conflict on constraint earned_sale_once do update
    set income = earned_sale.income + excluded.income, cost = earned_sale.cost + excluded.cost;
  return null;
end $$;
