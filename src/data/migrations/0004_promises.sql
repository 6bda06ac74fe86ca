CREATE TABLE "banked" (
	"receipt_id" integer PRIMARY KEY NOT NULL,
	"slip_id" integer,
	"settlement_id" integer,
	CONSTRAINT "banked_one_way" CHECK (("banked"."slip_id" is null) <> ("banked"."settlement_id" is null))
);
--> statement-breakpoint
CREATE TABLE "banking_slip" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "banking_slip_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"cash" bigint NOT NULL,
	"cheques" bigint NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "banking_slip_number_unique" UNIQUE("number"),
	CONSTRAINT "banking_slip_positive" CHECK ("banking_slip"."cash" >= 0 and "banking_slip"."cheques" >= 0 and "banking_slip"."cash" + "banking_slip"."cheques" > 0)
);
--> statement-breakpoint
CREATE TABLE "card_settlement" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "card_settlement_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"gross" bigint NOT NULL,
	"fees" bigint NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "card_settlement_number_unique" UNIQUE("number"),
	CONSTRAINT "card_settlement_positive" CHECK ("card_settlement"."gross" > 0 and "card_settlement"."fees" >= 0 and "card_settlement"."fees" <= "card_settlement"."gross")
);
--> statement-breakpoint
CREATE TABLE "collection" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "collection_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"due_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"approved" boolean NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"receipt_id" integer,
	CONSTRAINT "collection_once_a_day" UNIQUE("due_id","on_day")
);
--> statement-breakpoint
CREATE TABLE "drawer_count" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "drawer_count_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"expected" bigint NOT NULL,
	"counted" bigint NOT NULL,
	"pieces" jsonb NOT NULL,
	"entry_id" integer,
	"counted_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "drawer_count_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "drawer_move" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "drawer_move_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text NOT NULL,
	"account_id" integer NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "drawer_move_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "extra_charge" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "extra_charge_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"kind" text NOT NULL,
	"customer_id" integer NOT NULL,
	"sale_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"for_due_id" integer,
	"receipt_id" integer,
	"entry_id" integer NOT NULL,
	CONSTRAINT "extra_charge_number_unique" UNIQUE("number"),
	CONSTRAINT "extra_charge_positive" CHECK ("extra_charge"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "held_transfer" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "held_transfer_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"kind" text NOT NULL,
	"customer_id" integer NOT NULL,
	"from_sale_id" integer,
	"to_sale_id" integer,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "held_transfer_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "pay_promise" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "pay_promise_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"sale_id" integer NOT NULL,
	"made_on" date NOT NULL,
	"by_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"dropped_on" date,
	CONSTRAINT "pay_promise_positive" CHECK ("pay_promise"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "plan" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "plan_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"sale_id" integer NOT NULL,
	"customer_id" integer NOT NULL,
	"invoice_id" integer NOT NULL,
	"started_on" date NOT NULL,
	"terms" jsonb NOT NULL,
	"financed" bigint NOT NULL,
	"charge" bigint NOT NULL,
	"yearly_rate" text DEFAULT '' NOT NULL,
	"replaces_id" integer,
	"ended_on" date,
	"ended_as" text,
	"card" text DEFAULT '' NOT NULL,
	CONSTRAINT "plan_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "plan_charge" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "plan_charge_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"plan_id" integer NOT NULL,
	"due_id" integer,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"why" text NOT NULL,
	"entry_id" integer
);
--> statement-breakpoint
CREATE TABLE "reminder" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "reminder_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"stage" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"post_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "saved_view" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "saved_view_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"place" text NOT NULL,
	"name" text NOT NULL,
	"query" text NOT NULL,
	CONSTRAINT "saved_view_name" UNIQUE("place","name")
);
--> statement-breakpoint
CREATE TABLE "tax_move" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_move_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"on_day" date NOT NULL,
	"tax_code_id" integer NOT NULL,
	"component_id" integer NOT NULL,
	"net" bigint NOT NULL,
	"amount" bigint NOT NULL,
	"why" text NOT NULL,
	"sale_id" integer,
	"receipt_id" integer,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "write_off" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "write_off_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"customer_id" integer NOT NULL,
	"sale_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "write_off_number_unique" UNIQUE("number"),
	CONSTRAINT "write_off_positive" CHECK ("write_off"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "receipt" DROP CONSTRAINT "receipt_positive";--> statement-breakpoint
ALTER TABLE "due" ALTER COLUMN "invoice_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "due_fill" ALTER COLUMN "entry_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "tax_on_deposits" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "tax_back_on_bad_debts" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "smallest_coin" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "age_limits" integer[] DEFAULT '{30,60,90}' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "usual_arrangements" jsonb DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "reminder_days" integer[] DEFAULT '{7,21,35}' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "bounce_fee" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "stop_supply_days" integer DEFAULT 60 NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "label" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "plan_id" integer;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "charge" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "beyond" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "moved" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "discount" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "discount_until" date;--> statement-breakpoint
ALTER TABLE "held_move" ADD COLUMN "transfer_id" integer;--> statement-breakpoint
ALTER TABLE "receipt" ADD COLUMN "rounding" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "receipt_void" ADD COLUMN "kind" text DEFAULT 'voided' NOT NULL;--> statement-breakpoint
ALTER TABLE "receipt_void" ADD COLUMN "bank_fee" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "refund" ADD COLUMN "rounding" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "banked" ADD CONSTRAINT "banked_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "banked" ADD CONSTRAINT "banked_slip_id_banking_slip_id_fk" FOREIGN KEY ("slip_id") REFERENCES "public"."banking_slip"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "banked" ADD CONSTRAINT "banked_settlement_id_card_settlement_id_fk" FOREIGN KEY ("settlement_id") REFERENCES "public"."card_settlement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "banking_slip" ADD CONSTRAINT "banking_slip_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_settlement" ADD CONSTRAINT "card_settlement_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "collection" ADD CONSTRAINT "collection_due_id_due_id_fk" FOREIGN KEY ("due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "collection" ADD CONSTRAINT "collection_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drawer_count" ADD CONSTRAINT "drawer_count_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drawer_move" ADD CONSTRAINT "drawer_move_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "drawer_move" ADD CONSTRAINT "drawer_move_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "extra_charge" ADD CONSTRAINT "extra_charge_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "extra_charge" ADD CONSTRAINT "extra_charge_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "extra_charge" ADD CONSTRAINT "extra_charge_for_due_id_due_id_fk" FOREIGN KEY ("for_due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "extra_charge" ADD CONSTRAINT "extra_charge_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "extra_charge" ADD CONSTRAINT "extra_charge_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer" ADD CONSTRAINT "held_transfer_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer" ADD CONSTRAINT "held_transfer_from_sale_id_sale_id_fk" FOREIGN KEY ("from_sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer" ADD CONSTRAINT "held_transfer_to_sale_id_sale_id_fk" FOREIGN KEY ("to_sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer" ADD CONSTRAINT "held_transfer_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pay_promise" ADD CONSTRAINT "pay_promise_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pay_promise" ADD CONSTRAINT "pay_promise_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan" ADD CONSTRAINT "plan_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_charge" ADD CONSTRAINT "plan_charge_plan_id_plan_id_fk" FOREIGN KEY ("plan_id") REFERENCES "public"."plan"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_charge" ADD CONSTRAINT "plan_charge_due_id_due_id_fk" FOREIGN KEY ("due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_charge" ADD CONSTRAINT "plan_charge_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reminder" ADD CONSTRAINT "reminder_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_component_id_tax_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."tax_component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "write_off" ADD CONSTRAINT "write_off_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "write_off" ADD CONSTRAINT "write_off_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "write_off" ADD CONSTRAINT "write_off_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "banked_slip" ON "banked" USING btree ("slip_id");--> statement-breakpoint
CREATE INDEX "banked_settlement" ON "banked" USING btree ("settlement_id");--> statement-breakpoint
CREATE INDEX "drawer_count_day" ON "drawer_count" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "drawer_move_day" ON "drawer_move" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "extra_charge_sale" ON "extra_charge" USING btree ("sale_id");--> statement-breakpoint
CREATE UNIQUE INDEX "late_charge_once" ON "extra_charge" USING btree ("for_due_id") WHERE "extra_charge"."kind" = 'late';--> statement-breakpoint
CREATE INDEX "pay_promise_customer" ON "pay_promise" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "pay_promise_sale" ON "pay_promise" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "plan_sale" ON "plan" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "plan_customer" ON "plan" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "plan_live" ON "plan" USING btree ("id") WHERE "plan"."ended_on" is null;--> statement-breakpoint
CREATE INDEX "plan_charge_plan" ON "plan_charge" USING btree ("plan_id");--> statement-breakpoint
CREATE UNIQUE INDEX "plan_charge_earned_once" ON "plan_charge" USING btree ("due_id") WHERE "plan_charge"."why" = 'earned';--> statement-breakpoint
CREATE INDEX "reminder_customer" ON "reminder" USING btree ("customer_id","on_day");--> statement-breakpoint
CREATE INDEX "tax_move_day" ON "tax_move" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "tax_move_sale" ON "tax_move" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "tax_move_receipt" ON "tax_move" USING btree ("receipt_id");--> statement-breakpoint
CREATE INDEX "write_off_sale" ON "write_off" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "due_plan" ON "due" USING btree ("plan_id");--> statement-breakpoint
CREATE INDEX "due_fill_entry" ON "due_fill" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "held_move_entry" ON "held_move" USING btree ("entry_id");--> statement-breakpoint
ALTER TABLE "due" ADD CONSTRAINT "due_parts" CHECK ("due"."charge" >= 0 and "due"."charge" <= "due"."amount" and "due"."discount" >= 0 and "due"."discount" <= "due"."amount");--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_positive" CHECK ("receipt"."amount" > 0 and "receipt"."tendered" >= "receipt"."amount" + "receipt"."rounding");