CREATE TABLE "supplier_address" (
	"supplier_id" integer NOT NULL,
	"use" text NOT NULL,
	"text" text NOT NULL,
	CONSTRAINT "supplier_address_supplier_id_use_pk" PRIMARY KEY("supplier_id","use")
);
--> statement-breakpoint
CREATE TABLE "supplier_contact" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_contact_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"supplier_id" integer NOT NULL,
	"name" text NOT NULL,
	"role" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "supplier_price" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_price_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"goods_id" integer NOT NULL,
	"supplier_id" integer NOT NULL,
	"from_quantity" numeric(18, 4) DEFAULT '0' NOT NULL,
	"unit_cost" numeric(18, 4) NOT NULL,
	"valid_from" date,
	"valid_until" date,
	CONSTRAINT "supplier_price_once" UNIQUE NULLS NOT DISTINCT("goods_id","supplier_id","from_quantity","valid_from"),
	CONSTRAINT "supplier_price_not_below_zero" CHECK ("supplier_price"."unit_cost" >= 0 and "supplier_price"."from_quantity" >= 0),
	CONSTRAINT "supplier_price_valid_forwards" CHECK ("supplier_price"."valid_until" >= "supplier_price"."valid_from")
);
--> statement-breakpoint
CREATE TABLE "set_off" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "set_off_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"receipt_id" integer NOT NULL,
	"payment_id" integer NOT NULL,
	CONSTRAINT "set_off_number_unique" UNIQUE("number"),
	CONSTRAINT "set_off_receiptId_unique" UNIQUE("receipt_id"),
	CONSTRAINT "set_off_paymentId_unique" UNIQUE("payment_id"),
	CONSTRAINT "set_off_positive" CHECK ("set_off"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "supplier_refund" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_refund_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"supplier_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"account_id" integer NOT NULL,
	"amount" bigint NOT NULL,
	"entry_id" integer NOT NULL,
	"voided_on" date,
	"void_reason" text DEFAULT '' NOT NULL,
	CONSTRAINT "supplier_refund_number_unique" UNIQUE("number"),
	CONSTRAINT "supplier_refund_positive" CHECK ("supplier_refund"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "landed_cost" DROP CONSTRAINT "landed_cost_billLineId_unique";--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "customer_id" integer;--> statement-breakpoint
ALTER TABLE "supplier_payment" ADD COLUMN "check_number" integer;--> statement-breakpoint
ALTER TABLE "landed_cost" ADD COLUMN "voided_on" date;--> statement-breakpoint
ALTER TABLE "landed_cost" ADD COLUMN "void_reason" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier_address" ADD CONSTRAINT "supplier_address_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_contact" ADD CONSTRAINT "supplier_contact_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_price" ADD CONSTRAINT "supplier_price_of_goods" FOREIGN KEY ("goods_id","supplier_id") REFERENCES "public"."goods_supplier"("goods_id","supplier_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_off" ADD CONSTRAINT "set_off_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "set_off" ADD CONSTRAINT "set_off_payment_id_supplier_payment_id_fk" FOREIGN KEY ("payment_id") REFERENCES "public"."supplier_payment"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_refund" ADD CONSTRAINT "supplier_refund_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_refund" ADD CONSTRAINT "supplier_refund_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_refund" ADD CONSTRAINT "supplier_refund_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "supplier_contact_supplier" ON "supplier_contact" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "supplier_refund_supplier" ON "supplier_refund" USING btree ("supplier_id");--> statement-breakpoint
ALTER TABLE "supplier" ADD CONSTRAINT "supplier_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "supplier_of_customer" ON "supplier" USING btree ("customer_id");--> statement-breakpoint
CREATE UNIQUE INDEX "check_number_once" ON "supplier_payment" USING btree ("account_id","check_number");--> statement-breakpoint
CREATE UNIQUE INDEX "bill_line_spread_once" ON "landed_cost" USING btree ("bill_line_id") WHERE "landed_cost"."voided_on" is null;--> statement-breakpoint
ALTER TABLE "supplier_payment" ADD CONSTRAINT "check_number_positive" CHECK ("supplier_payment"."check_number" > 0);
--> statement-breakpoint
-- Businesses that are set up get the account that set-offs pass through; where its code is taken, beside it.
insert into account (code, name, kind, role)
  select case when exists (select from account a where a.code = '1110') then '1110-S' else '1110' end,
         'Set off between customers and suppliers', 'asset', 'set-off'
   where exists (select from business) and not exists (select from account a where a.role = 'set-off');
--> statement-breakpoint
create trigger set_off_fixed before update or delete on set_off for each row execute function refuse_change();
--> statement-breakpoint
create trigger set_off_period before insert on set_off for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger supplier_refund_period before insert on supplier_refund for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger supplier_refund_fixed before update or delete on supplier_refund for each row execute function payment_keeps_its_amount();
--> statement-breakpoint
-- A spread cost keeps what it says; that it does not count any more is written down once.
create function landed_cost_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or old.voided_on is not null
     or (new.id, new.number, new.on_day, new.amount, new.spread_by, new.account_id, new.bill_line_id, new.entry_id)
        is distinct from (old.id, old.number, old.on_day, old.amount, old.spread_by, old.account_id, old.bill_line_id, old.entry_id) then
    raise exception 'a landed cost does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
drop trigger landed_cost_fixed on landed_cost;
--> statement-breakpoint
create trigger landed_cost_fixed before update or delete on landed_cost for each row execute function landed_cost_keeps_its_amount();
