CREATE TABLE "landed_cost" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "landed_cost_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"spread_by" text NOT NULL,
	"account_id" integer NOT NULL,
	"bill_line_id" integer,
	"entry_id" integer NOT NULL,
	CONSTRAINT "landed_cost_number_unique" UNIQUE("number"),
	CONSTRAINT "landed_cost_billLineId_unique" UNIQUE("bill_line_id"),
	CONSTRAINT "landed_cost_positive" CHECK ("landed_cost"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "landed_share" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "landed_share_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"cost_id" integer NOT NULL,
	"received_line_id" integer NOT NULL,
	"amount" bigint NOT NULL,
	"to_stock" bigint NOT NULL
);
--> statement-breakpoint
ALTER TABLE "landed_cost" ADD CONSTRAINT "landed_cost_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "landed_cost" ADD CONSTRAINT "landed_cost_bill_line_id_bill_line_id_fk" FOREIGN KEY ("bill_line_id") REFERENCES "public"."bill_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "landed_cost" ADD CONSTRAINT "landed_cost_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "landed_share" ADD CONSTRAINT "landed_share_cost_id_landed_cost_id_fk" FOREIGN KEY ("cost_id") REFERENCES "public"."landed_cost"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "landed_share" ADD CONSTRAINT "landed_share_received_line_id_goods_received_line_id_fk" FOREIGN KEY ("received_line_id") REFERENCES "public"."goods_received_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "landed_share_cost" ON "landed_share" USING btree ("cost_id");--> statement-breakpoint
CREATE INDEX "landed_share_line" ON "landed_share" USING btree ("received_line_id");
--> statement-breakpoint
create trigger landed_cost_fixed before update or delete on landed_cost for each row execute function refuse_change();
--> statement-breakpoint
create trigger landed_cost_period before insert on landed_cost for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger landed_share_fixed before update or delete on landed_share for each row execute function refuse_change();
