CREATE TABLE "cost_share" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "cost_share_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"entry_id" integer NOT NULL,
	"goods_id" integer,
	"sale_line_id" integer,
	"amount" bigint NOT NULL,
	CONSTRAINT "cost_share_not_zero" CHECK ("cost_share"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "goods_returned" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "goods_returned_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"received_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"undoes" boolean DEFAULT false NOT NULL,
	"entry_id" integer,
	CONSTRAINT "goods_returned_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "goods_returned_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "goods_returned_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"returned_id" integer NOT NULL,
	"received_line_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	"cost" bigint NOT NULL,
	CONSTRAINT "returned_line_positive" CHECK ("goods_returned_line"."quantity" > 0 and "goods_returned_line"."value" >= 0 and "goods_returned_line"."cost" >= 0)
);
--> statement-breakpoint
CREATE TABLE "supplier_credit" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_credit_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"bill_id" integer NOT NULL,
	"their_number" text DEFAULT '' NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"gross" bigint NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "supplier_credit_number_unique" UNIQUE("number"),
	CONSTRAINT "supplier_credit_adds_up" CHECK ("supplier_credit"."gross" = "supplier_credit"."net" + "supplier_credit"."tax" and "supplier_credit"."gross" > 0)
);
--> statement-breakpoint
CREATE TABLE "supplier_credit_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_credit_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"credit_id" integer NOT NULL,
	"bill_line_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"cleared" bigint NOT NULL,
	"from_stock" bigint NOT NULL,
	CONSTRAINT "credit_line_not_below_zero" CHECK ("supplier_credit_line"."quantity" >= 0 and "supplier_credit_line"."net" >= 0 and "supplier_credit_line"."tax" >= 0 and "supplier_credit_line"."cleared" >= 0)
);
--> statement-breakpoint
ALTER TABLE "purchase_order_line" DROP CONSTRAINT "order_line_positive";--> statement-breakpoint
ALTER TABLE "purchase_order_line" DROP CONSTRAINT "order_line_tallies";--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD COLUMN "returned" numeric(18, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD COLUMN "returned_value" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD COLUMN "credited" numeric(18, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD COLUMN "credited_value" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD COLUMN "returned" numeric(18, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "cost_share" ADD CONSTRAINT "cost_share_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_share" ADD CONSTRAINT "cost_share_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cost_share" ADD CONSTRAINT "cost_share_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_returned" ADD CONSTRAINT "goods_returned_received_id_goods_received_id_fk" FOREIGN KEY ("received_id") REFERENCES "public"."goods_received"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_returned" ADD CONSTRAINT "goods_returned_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_returned_line" ADD CONSTRAINT "goods_returned_line_returned_id_goods_returned_id_fk" FOREIGN KEY ("returned_id") REFERENCES "public"."goods_returned"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_returned_line" ADD CONSTRAINT "goods_returned_line_received_line_id_goods_received_line_id_fk" FOREIGN KEY ("received_line_id") REFERENCES "public"."goods_received_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_credit" ADD CONSTRAINT "supplier_credit_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_credit" ADD CONSTRAINT "supplier_credit_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_credit_line" ADD CONSTRAINT "supplier_credit_line_credit_id_supplier_credit_id_fk" FOREIGN KEY ("credit_id") REFERENCES "public"."supplier_credit"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_credit_line" ADD CONSTRAINT "supplier_credit_line_bill_line_id_bill_line_id_fk" FOREIGN KEY ("bill_line_id") REFERENCES "public"."bill_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "cost_share_entry" ON "cost_share" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "cost_share_line" ON "cost_share" USING btree ("sale_line_id");--> statement-breakpoint
CREATE INDEX "goods_returned_received" ON "goods_returned" USING btree ("received_id");--> statement-breakpoint
CREATE INDEX "goods_returned_line_paper" ON "goods_returned_line" USING btree ("returned_id");--> statement-breakpoint
CREATE INDEX "goods_returned_line_received" ON "goods_returned_line" USING btree ("received_line_id");--> statement-breakpoint
CREATE INDEX "supplier_credit_bill" ON "supplier_credit" USING btree ("bill_id");--> statement-breakpoint
CREATE UNIQUE INDEX "credit_their_number_once" ON "supplier_credit" USING btree ("bill_id",lower("their_number")) WHERE "supplier_credit"."their_number" <> '';--> statement-breakpoint
CREATE INDEX "supplier_credit_line_credit" ON "supplier_credit_line" USING btree ("credit_id");--> statement-breakpoint
CREATE INDEX "supplier_credit_line_bill" ON "supplier_credit_line" USING btree ("bill_line_id");--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD CONSTRAINT "received_line_returned" CHECK ("goods_received_line"."returned" between 0 and "goods_received_line"."quantity" and "goods_received_line"."credited" between 0 and "goods_received_line"."returned");--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD CONSTRAINT "received_line_returned_worth" CHECK ("goods_received_line"."returned_value" between 0 and "goods_received_line"."value" and "goods_received_line"."credited_value" between 0 and "goods_received_line"."returned_value");--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "order_line_positive" CHECK ("purchase_order_line"."quantity" >= 0 and "purchase_order_line"."unit_cost" >= 0);--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "order_line_tallies" CHECK ("purchase_order_line"."received" >= 0 and "purchase_order_line"."returned" between 0 and "purchase_order_line"."received" and "purchase_order_line"."billed" >= 0 and "purchase_order_line"."ahead" between 0 and "purchase_order_line"."billed");
--> statement-breakpoint
create trigger goods_returned_fixed before update or delete on goods_returned for each row execute function refuse_change();
--> statement-breakpoint
create trigger goods_returned_period before insert on goods_returned for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger goods_returned_line_fixed before update or delete on goods_returned_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger supplier_credit_fixed before update or delete on supplier_credit for each row execute function refuse_change();
--> statement-breakpoint
create trigger supplier_credit_period before insert on supplier_credit for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger supplier_credit_line_fixed before update or delete on supplier_credit_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger cost_share_fixed before update or delete on cost_share for each row execute function refuse_change();
