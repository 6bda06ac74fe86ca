CREATE TABLE "on_hand" (
	"goods_id" integer PRIMARY KEY NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	CONSTRAINT "on_hand_not_below_zero" CHECK ("on_hand"."quantity" >= 0),
	CONSTRAINT "nothing_on_hand_worth_nothing" CHECK ("on_hand"."quantity" <> 0 or "on_hand"."value" = 0)
);
--> statement-breakpoint
ALTER TABLE "on_hand" ADD CONSTRAINT "on_hand_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
create function count_on_hand() returns trigger language plpgsql as $$
begin
  insert into on_hand (goods_id, quantity, value) select distinct goods_id, 0, 0 from moved order by 1
    on conflict (goods_id) do nothing;
  update on_hand h set quantity = h.quantity + m.quantity, value = h.value + m.value
    from (select goods_id, sum(quantity) as quantity, sum(value) as value from moved group by 1) m where h.goods_id = m.goods_id;
  return null;
end $$;
--> statement-breakpoint
create trigger stock_move_on_hand after insert on stock_move referencing new table as moved
  for each statement execute function count_on_hand();
--> statement-breakpoint
insert into on_hand (goods_id, quantity, value) select goods_id, sum(quantity), sum(value) from pool group by goods_id;
