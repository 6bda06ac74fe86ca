CREATE TABLE "stage_count" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "stage_count_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"stage" text NOT NULL,
	"count" integer NOT NULL
);
--> statement-breakpoint
CREATE SCHEMA "kept";
--> statement-breakpoint
CREATE TABLE "kept"."change" (
	"what" text NOT NULL,
	"id" integer NOT NULL,
	"by" "xid8" NOT NULL,
	CONSTRAINT "change_what_id_by_pk" PRIMARY KEY("what","id","by")
);
--> statement-breakpoint
CREATE TABLE "kept"."glance" (
	"sale_id" integer PRIMARY KEY NOT NULL,
	"on_day" date NOT NULL,
	"build" text NOT NULL,
	"seen" "pg_snapshot" NOT NULL,
	"goods" integer[] NOT NULL,
	"told" text NOT NULL
);
--> statement-breakpoint
-- Each table that stories of sales are told from notes what its rows belong to: `s` a sale, `g` goods. One function a table, so that the
-- database keeps its plan, and one trigger an event, since each has other rows to tell of.
do $$
declare
  t record;
begin
  for t in select v.what, v.name, v.key, v.of from (values
    ('s', 'collection', '(select d.sale_id from due d where d.id = r.due_id)', 'sale'),
    ('s', 'deposit_request', 'r.sale_id', 'sale'),
    ('s', 'due', 'r.sale_id', 'sale'),
    ('s', 'due_fill', '(select d.sale_id from due d where d.id = r.due_id)', 'sale'),
    ('s', 'extra_charge', 'r.sale_id', 'sale'),
    ('s', 'handover', 'r.sale_id', 'sale'),
    ('s', 'handover_line', '(select h.sale_id from handover h where h.id = r.handover_id)', 'sale'),
    ('s', 'held', 'r.sale_id', 'sale'),
    ('s', 'held_move', 'r.sale_id', 'sale'),
    ('s', 'invoice', 'r.sale_id', 'sale'),
    ('s', 'invoice_line', '(select i.sale_id from invoice i where i.id = r.invoice_id)', 'sale'),
    ('s', 'next_mark', 'r.sale_id', 'sale'),
    ('s', 'pay_promise', 'r.sale_id', 'sale'),
    ('s', 'plan', 'r.sale_id', 'sale'),
    ('s', 'plan_charge', '(select p.sale_id from plan p where p.id = r.plan_id)', 'sale'),
    ('s', 'post', 'r.sale_id', 'sale'),
    ('s', 'repeat_run', 'r.sale_id', 'sale'),
    ('s', 'sale', 'r.id', 'sale'),
    ('s', 'sale_line', 'r.sale_id', 'sale'),
    ('s', 'sale_line_part', '(select l.sale_id from sale_line l where l.id = r.line_id)', 'sale'),
    ('s', 'write_off', 'r.sale_id', 'sale'),
    ('s', 'write_off_recovery', '(select w.sale_id from write_off w where w.id = r.write_off_id)', 'sale'),
    ('g', 'batch', 'r.goods_id', 'goods'),
    ('g', 'goods', 'r.id', 'goods'),
    ('g', 'sale_line', 'r.goods_id', 'goods'),
    ('g', 'sale_line_part', 'r.goods_id', 'goods'),
    ('g', 'shelf', 'r.goods_id', 'goods'),
    ('g', 'stock_move', 'r.goods_id', 'goods')) v(what, name, key, of)
  loop
    execute format($f$
      create function %1$I() returns trigger language plpgsql as $b$
      begin
        if tg_op <> 'DELETE' then
          insert into kept.change (what, id, by)
          select distinct %2$L, %3$s, pg_current_xact_id() from added r where %3$s is not null on conflict do nothing;
        end if;
        if tg_op <> 'INSERT' then
          insert into kept.change (what, id, by)
          select distinct %2$L, %3$s, pg_current_xact_id() from removed r where %3$s is not null on conflict do nothing;
        end if;
        return null;
      end $b$ $f$, t.name || '_changes_' || t.of, t.what, t.key);
    execute format('create trigger %1$I after insert on %2$I referencing new table as added for each statement execute function %3$I()',
                   t.name || '_added_to_' || t.of, t.name, t.name || '_changes_' || t.of);
    execute format('create trigger %1$I after update on %2$I referencing new table as added old table as removed for each statement execute function %3$I()',
                   t.name || '_changed_of_' || t.of, t.name, t.name || '_changes_' || t.of);
    execute format('create trigger %1$I after delete on %2$I referencing old table as removed for each statement execute function %3$I()',
                   t.name || '_removed_from_' || t.of, t.name, t.name || '_changes_' || t.of);
  end loop;
end $$;
--> statement-breakpoint
-- A sale that is agreed or closed takes goods that others wait for, or lets them go.
create function sale_changes_goods() returns trigger language plpgsql as $$
begin
  insert into kept.change (what, id, by)
  select distinct 'g', x.goods_id, pg_current_xact_id()
    from added a join removed r on r.id = a.id
    cross join lateral (
      select l.goods_id from sale_line l where l.sale_id = a.id and l.goods_id is not null
      union all select p.goods_id from sale_line l join sale_line_part p on p.line_id = l.id where l.sale_id = a.id) x
   where (a.stage, a.agreed_on, a.closed_as) is distinct from (r.stage, r.agreed_on, r.closed_as)
  on conflict do nothing;
  return null;
end $$;
--> statement-breakpoint
create trigger sale_changed_of_goods after update on sale referencing new table as added old table as removed
  for each statement execute function sale_changes_goods();
--> statement-breakpoint
-- What all sales depend on.
create function house_changes() returns trigger language plpgsql as $$
begin
  insert into kept.change (what, id, by) values ('h', 0, pg_current_xact_id()) on conflict do nothing;
  return null;
end $$;
--> statement-breakpoint
create trigger business_changes_house after insert or update or delete on business for each statement execute function house_changes();
--> statement-breakpoint
create trigger tax_code_changes_house after insert or update or delete on tax_code for each statement execute function house_changes();
--> statement-breakpoint
create trigger tax_component_changes_house after insert or update or delete on tax_component for each statement execute function house_changes();
--> statement-breakpoint
create trigger goods_part_changes_house after insert or update or delete on goods_part for each statement execute function house_changes();
--> statement-breakpoint
create function sale_counts_in_stage() returns trigger language plpgsql as $$
begin
  if tg_op = 'INSERT' then
    insert into stage_count (stage, count) select stage, count(*) from added group by stage;
  else
    insert into stage_count (stage, count)
    select stage, sum(n) from (
      select a.stage, 1 as n from added a join removed r on r.id = a.id where a.stage <> r.stage
      union all select r.stage, -1 from added a join removed r on r.id = a.id where a.stage <> r.stage) x group by stage having sum(n) <> 0;
  end if;
  return null;
end $$;
--> statement-breakpoint
create trigger sale_added_to_stage after insert on sale referencing new table as added
  for each statement execute function sale_counts_in_stage();
--> statement-breakpoint
create trigger sale_changed_of_stage after update on sale referencing new table as added old table as removed
  for each statement execute function sale_counts_in_stage();
--> statement-breakpoint
insert into stage_count (stage, count) select stage, count(*) from sale group by stage;
