CREATE TABLE "sale_line_part" (
	"line_id" integer NOT NULL,
	"goods_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	CONSTRAINT "sale_line_part_line_id_goods_id_pk" PRIMARY KEY("line_id","goods_id"),
	CONSTRAINT "line_part_positive" CHECK ("sale_line_part"."quantity" > 0)
);
--> statement-breakpoint
CREATE TABLE "assembly" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "assembly_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"kit_id" integer NOT NULL,
	"place_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	CONSTRAINT "assembly_number_unique" UNIQUE("number"),
	CONSTRAINT "assembly_of_something" CHECK ("assembly"."quantity" <> 0)
);
--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "place_id" integer;--> statement-breakpoint
ALTER TABLE "sale_version" ADD COLUMN "reason" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line_part" ADD CONSTRAINT "sale_line_part_line_id_sale_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."sale_line"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_line_part" ADD CONSTRAINT "sale_line_part_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assembly" ADD CONSTRAINT "assembly_kit_id_goods_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "assembly" ADD CONSTRAINT "assembly_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods" ADD CONSTRAINT "goods_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
insert into sale_line_part (line_id, goods_id, quantity)
  select l.id, p.part_id, p.quantity from sale_line l join goods_part p on p.kit_id = l.goods_id where l.kind = 'kit';
--> statement-breakpoint
create trigger assembly_fixed before update or delete on assembly for each row execute function refuse_change();
--> statement-breakpoint
create trigger assembly_period before insert on assembly for each row execute function refuse_closed_period();
