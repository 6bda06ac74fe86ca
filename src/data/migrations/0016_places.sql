CREATE TABLE "stock_adjustment" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "stock_adjustment_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer,
	CONSTRAINT "stock_adjustment_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "stock_transfer" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "stock_transfer_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"from_place_id" integer NOT NULL,
	"to_place_id" integer NOT NULL,
	CONSTRAINT "stock_transfer_number_unique" UNIQUE("number"),
	CONSTRAINT "transfer_goes_elsewhere" CHECK ("stock_transfer"."from_place_id" <> "stock_transfer"."to_place_id")
);
--> statement-breakpoint
ALTER TABLE "place" ADD COLUMN "usual" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "stock_adjustment" ADD CONSTRAINT "stock_adjustment_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_transfer" ADD CONSTRAINT "stock_transfer_from_place_id_place_id_fk" FOREIGN KEY ("from_place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_transfer" ADD CONSTRAINT "stock_transfer_to_place_id_place_id_fk" FOREIGN KEY ("to_place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "place_one_usual" ON "place" USING btree ("usual") WHERE "place"."usual";--> statement-breakpoint
-- Until now there was one place: it is the usual one.
update "place" set "usual" = true where "id" = (select min("id") from "place");
--> statement-breakpoint
create trigger stock_transfer_fixed before update or delete on stock_transfer for each row execute function refuse_change();
--> statement-breakpoint
create trigger stock_adjustment_fixed before update or delete on stock_adjustment for each row execute function refuse_change();
--> statement-breakpoint
create trigger stock_transfer_period before insert on stock_transfer for each row execute function refuse_closed_period();
