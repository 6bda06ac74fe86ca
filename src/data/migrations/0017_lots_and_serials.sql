CREATE TABLE "batch" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "batch_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"goods_id" integer NOT NULL,
	"lot" text,
	"expires" date,
	"serial" text,
	"came_on" date NOT NULL,
	CONSTRAINT "batch_is_one_thing" CHECK ("batch"."lot" is null or "batch"."serial" is null),
	CONSTRAINT "batch_expires_by_lot" CHECK ("batch"."expires" is null or "batch"."lot" is not null)
);
--> statement-breakpoint
CREATE TABLE "pool" (
	"goods_id" integer NOT NULL,
	"place_id" integer,
	"batch_id" integer,
	"quantity" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	CONSTRAINT "pool_once" UNIQUE NULLS NOT DISTINCT("goods_id","place_id","batch_id"),
	CONSTRAINT "pool_not_below_zero" CHECK ("pool"."quantity" >= 0),
	CONSTRAINT "empty_pool_worth_nothing" CHECK ("pool"."quantity" <> 0 or "pool"."value" = 0)
);
--> statement-breakpoint
ALTER TABLE "shelf" DROP CONSTRAINT "empty_shelf_worth_nothing";--> statement-breakpoint
ALTER TABLE "shelf" DROP CONSTRAINT "shelf_goods_id_place_id_pk";--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "track" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "costing" text DEFAULT 'average' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "warranty_months" integer;--> statement-breakpoint
ALTER TABLE "shelf" ADD COLUMN "batch_id" integer;--> statement-breakpoint
ALTER TABLE "stock_move" ADD COLUMN "batch_id" integer;--> statement-breakpoint
ALTER TABLE "stock_move" ADD COLUMN "sale_line_id" integer;--> statement-breakpoint
ALTER TABLE "batch" ADD CONSTRAINT "batch_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pool" ADD CONSTRAINT "pool_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pool" ADD CONSTRAINT "pool_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pool" ADD CONSTRAINT "pool_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "batch_serial_once" ON "batch" USING btree ("goods_id","serial");--> statement-breakpoint
CREATE INDEX "batch_serial" ON "batch" USING btree (lower("serial"));--> statement-breakpoint
CREATE INDEX "batch_lot" ON "batch" USING btree (lower("lot"));--> statement-breakpoint
CREATE INDEX "batch_goods" ON "batch" USING btree ("goods_id","lot");--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_batch_id_batch_id_fk" FOREIGN KEY ("batch_id") REFERENCES "public"."batch"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stock_move_batch" ON "stock_move" USING btree ("batch_id");--> statement-breakpoint
CREATE INDEX "stock_move_line" ON "stock_move" USING btree ("sale_line_id");--> statement-breakpoint
CREATE INDEX "stock_move_paper" ON "stock_move" USING btree ("paper_kind","paper_id");--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_once" UNIQUE NULLS NOT DISTINCT("goods_id","place_id","batch_id");--> statement-breakpoint
ALTER TABLE "goods" ADD CONSTRAINT "serial_costs_its_own" CHECK (("goods"."track" = 'serial') = ("goods"."costing" = 'unit'));--> statement-breakpoint
-- What was moved before says for which line of a sale it was: first by its quantity, else by its goods or as part of a kit.
alter table stock_move disable trigger stock_move_fixed;
--> statement-breakpoint
update stock_move m set sale_line_id = l.sale_line_id
  from (select id, paper_id, goods_id, abs(quantity) as quantity,
               row_number() over (partition by paper_id, goods_id, abs(quantity) order by id) as turn
          from stock_move where paper_kind = 'handover') n
  join (select h.handover_id, h.sale_line_id, s.goods_id, h.quantity,
               row_number() over (partition by h.handover_id, s.goods_id, h.quantity order by h.id) as turn
          from handover_line h join sale_line s on s.id = h.sale_line_id) l
    on l.handover_id = n.paper_id and l.goods_id = n.goods_id and l.quantity = n.quantity and l.turn = n.turn
 where m.id = n.id;
--> statement-breakpoint
update stock_move m set sale_line_id = (
    select h.sale_line_id from handover_line h join sale_line s on s.id = h.sale_line_id
     where h.handover_id = m.paper_id
       and (s.goods_id = m.goods_id or exists (select from goods_part p where p.kit_id = s.goods_id and p.part_id = m.goods_id))
     order by (s.goods_id = m.goods_id) desc, h.id limit 1)
 where m.paper_kind = 'handover' and m.sale_line_id is null;
--> statement-breakpoint
alter table stock_move enable trigger stock_move_fixed;
--> statement-breakpoint
insert into pool (goods_id, quantity, value) select goods_id, sum(quantity), sum(value) from shelf group by goods_id;
--> statement-breakpoint
-- What goods are worth is counted where they cost alike: over all places at average cost, by the piece or layer otherwise.
drop trigger stock_move_counts on stock_move;
--> statement-breakpoint
create or replace function count_shelf() returns trigger language plpgsql as $$
begin
  insert into shelf (goods_id, place_id, batch_id, quantity)
    select goods_id, place_id, batch_id, 0 from moved group by 1, 2, 3 order by 1, 2, 3
    on conflict (goods_id, place_id, batch_id) do nothing;
  update shelf s set quantity = s.quantity + m.quantity
    from (select goods_id, place_id, batch_id, sum(quantity) as quantity from moved group by 1, 2, 3) m
   where s.goods_id = m.goods_id and s.place_id = m.place_id and s.batch_id is not distinct from m.batch_id;
  insert into pool (goods_id, place_id, batch_id, quantity, value)
    select m.goods_id, case g.costing when 'fifo' then m.place_id end, case when g.costing <> 'average' then m.batch_id end, 0, 0
      from moved m join goods g on g.id = m.goods_id group by 1, 2, 3 order by 1, 2, 3
    on conflict (goods_id, place_id, batch_id) do nothing;
  update pool p set quantity = p.quantity + m.quantity, value = p.value + m.value
    from (select m.goods_id, case g.costing when 'fifo' then m.place_id end as place_id,
                 case when g.costing <> 'average' then m.batch_id end as batch_id, sum(m.quantity) as quantity, sum(m.value) as value
            from moved m join goods g on g.id = m.goods_id group by 1, 2, 3) m
   where p.goods_id = m.goods_id and p.place_id is not distinct from m.place_id and p.batch_id is not distinct from m.batch_id;
  return null;
end $$;
--> statement-breakpoint
create trigger stock_move_counts after insert on stock_move referencing new table as moved
  for each statement execute function count_shelf();
--> statement-breakpoint
create or replace function shelf_on_every_day() returns trigger language plpgsql as $$
begin
  if new.quantity < 0
     and exists (select from stock_move m where m.goods_id = new.goods_id and m.place_id = new.place_id and m.on_day > new.on_day)
     and exists (
    select from (select on_day, sum(sum(quantity)) over (order by on_day) as there from stock_move
                  where goods_id = new.goods_id and place_id = new.place_id and batch_id is not distinct from new.batch_id
                  group by on_day) r
     where r.on_day >= new.on_day and r.there < 0) then
    raise exception 'goods % are below zero on some day', new.goods_id using errcode = 'check_violation', constraint = 'shelf_on_every_day';
  end if;
  if new.quantity > 0 and new.batch_id is not null
     and exists (select from batch b where b.id = new.batch_id and b.serial is not null)
     and exists (
    select from (select on_day, sum(sum(quantity)) over (order by on_day) as there from stock_move
                  where batch_id = new.batch_id group by on_day) r
     where r.on_day >= new.on_day and r.there not in (0, 1)) then
    raise exception 'a serial of goods % would be there twice', new.goods_id using errcode = 'check_violation', constraint = 'serial_once';
  end if;
  return null;
end $$;
--> statement-breakpoint
-- How pieces are told apart and costed is fixed once one moved, and every move says what its goods say.
create function goods_are_told_apart() returns trigger language plpgsql as $$
begin
  if (new.track, new.costing) is distinct from (old.track, old.costing)
     and exists (select from stock_move where goods_id = new.id) then
    raise exception 'goods % moved already', new.id using errcode = 'check_violation', constraint = 'tracking_is_fixed';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger goods_tracking before update on goods for each row execute function goods_are_told_apart();
--> statement-breakpoint
create function move_names_its_batch() returns trigger language plpgsql as $$
begin
  if exists (select from goods g left join batch b on b.id = new.batch_id where g.id = new.goods_id and (
       b.goods_id <> g.id
       or (g.track = 'serial') <> (b.serial is not null)
       or (g.track = 'lot') <> (b.lot is not null)
       or (g.track = 'none' and (g.costing = 'fifo') <> (b.id is not null)))) then
    raise exception 'a move of goods % names another batch', new.goods_id using errcode = 'check_violation', constraint = 'move_names_its_batch';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger stock_move_batch before insert on stock_move for each row execute function move_names_its_batch();
--> statement-breakpoint
create trigger batch_fixed before update or delete on batch for each row execute function refuse_change();
