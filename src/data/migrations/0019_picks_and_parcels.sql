CREATE TABLE "parcel" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "parcel_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"pick_id" integer,
	"handover_id" integer,
	"weight" numeric(18, 4) NOT NULL,
	"size" text NOT NULL,
	"address" text DEFAULT '' NOT NULL,
	"carrier" text DEFAULT '' NOT NULL,
	"service" text DEFAULT '' NOT NULL,
	"price" bigint,
	"tracking" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'packed' NOT NULL,
	"sent_on" date,
	"arrived_on" date,
	CONSTRAINT "parcel_belongs" CHECK ("parcel"."pick_id" is not null or "parcel"."handover_id" is not null)
);
--> statement-breakpoint
CREATE TABLE "parcel_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "parcel_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"parcel_id" integer NOT NULL,
	"sale_line_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pick" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "pick_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"sale_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"state" text DEFAULT 'to pick' NOT NULL,
	"handover_id" integer,
	CONSTRAINT "pick_number_unique" UNIQUE("number"),
	CONSTRAINT "pick_handoverId_unique" UNIQUE("handover_id"),
	CONSTRAINT "pick_sent_is_handed_over" CHECK (("pick"."state" = 'sent') = ("pick"."handover_id" is not null))
);
--> statement-breakpoint
CREATE TABLE "pick_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "pick_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"pick_id" integer NOT NULL,
	"sale_line_id" integer NOT NULL,
	"goods_id" integer NOT NULL,
	"wanted" numeric(18, 4) NOT NULL,
	"taken_from" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "parcel" ADD CONSTRAINT "parcel_pick_id_pick_id_fk" FOREIGN KEY ("pick_id") REFERENCES "public"."pick"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parcel" ADD CONSTRAINT "parcel_handover_id_handover_id_fk" FOREIGN KEY ("handover_id") REFERENCES "public"."handover"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parcel_line" ADD CONSTRAINT "parcel_line_parcel_id_parcel_id_fk" FOREIGN KEY ("parcel_id") REFERENCES "public"."parcel"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parcel_line" ADD CONSTRAINT "parcel_line_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pick" ADD CONSTRAINT "pick_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pick" ADD CONSTRAINT "pick_handover_id_handover_id_fk" FOREIGN KEY ("handover_id") REFERENCES "public"."handover"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pick_line" ADD CONSTRAINT "pick_line_pick_id_pick_id_fk" FOREIGN KEY ("pick_id") REFERENCES "public"."pick"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pick_line" ADD CONSTRAINT "pick_line_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pick_line" ADD CONSTRAINT "pick_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "parcel_pick" ON "parcel" USING btree ("pick_id");--> statement-breakpoint
CREATE INDEX "parcel_handover" ON "parcel" USING btree ("handover_id");--> statement-breakpoint
CREATE INDEX "parcel_on_its_way" ON "parcel" USING btree ("state") WHERE "parcel"."state" = 'sent';--> statement-breakpoint
CREATE INDEX "parcel_line_parcel" ON "parcel_line" USING btree ("parcel_id");--> statement-breakpoint
CREATE INDEX "pick_sale" ON "pick" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "pick_open" ON "pick" USING btree ("state") WHERE "pick"."state" <> 'sent';--> statement-breakpoint
CREATE INDEX "pick_line_pick" ON "pick_line" USING btree ("pick_id");--> statement-breakpoint
CREATE INDEX "pick_line_line" ON "pick_line" USING btree ("sale_line_id");