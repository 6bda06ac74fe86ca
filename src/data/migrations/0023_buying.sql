CREATE TABLE "ahead_move" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "ahead_move_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"supplier_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"payment_id" integer,
	"bill_id" integer,
	"entry_id" integer NOT NULL,
	CONSTRAINT "ahead_move_not_zero" CHECK ("ahead_move"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "bill" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bill_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"supplier_id" integer NOT NULL,
	"their_number" text NOT NULL,
	"on_day" date NOT NULL,
	"due_on" date NOT NULL,
	"discount_on" date,
	"discount" bigint DEFAULT 0 NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"gross" bigint NOT NULL,
	"filled" bigint DEFAULT 0 NOT NULL,
	"entry_id" integer NOT NULL,
	"voided_on" date,
	"void_reason" text DEFAULT '' NOT NULL,
	CONSTRAINT "bill_number_unique" UNIQUE("number"),
	CONSTRAINT "bill_adds_up" CHECK ("bill"."gross" = "bill"."net" + "bill"."tax" and "bill"."gross" >= 0),
	CONSTRAINT "bill_not_overfilled" CHECK ("bill"."filled" between 0 and "bill"."gross")
);
--> statement-breakpoint
CREATE TABLE "bill_fill" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bill_fill_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"bill_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"kind" text NOT NULL,
	"amount" bigint NOT NULL,
	"payment_id" integer,
	"entry_id" integer NOT NULL,
	CONSTRAINT "bill_fill_not_zero" CHECK ("bill_fill"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "bill_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bill_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"bill_id" integer NOT NULL,
	"position" integer NOT NULL,
	"received_line_id" integer,
	"order_line_id" integer,
	"account_id" integer NOT NULL,
	"description" text NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"unit_cost" numeric(18, 4) NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"tax_code_id" integer,
	"cleared" bigint DEFAULT 0 NOT NULL,
	"difference" bigint DEFAULT 0 NOT NULL,
	"to_stock" bigint DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "goods_received" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "goods_received_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"supplier_id" integer NOT NULL,
	"order_id" integer,
	"on_day" date NOT NULL,
	"place_id" integer NOT NULL,
	"entry_id" integer,
	CONSTRAINT "goods_received_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "goods_received_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "goods_received_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"received_id" integer NOT NULL,
	"order_line_id" integer,
	"goods_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"unit_cost" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	"billed" numeric(18, 4) DEFAULT '0' NOT NULL,
	"billed_value" bigint DEFAULT 0 NOT NULL,
	CONSTRAINT "received_line_positive" CHECK ("goods_received_line"."quantity" > 0 and "goods_received_line"."value" >= 0),
	CONSTRAINT "received_line_billed" CHECK ("goods_received_line"."billed" between 0 and "goods_received_line"."quantity"),
	CONSTRAINT "received_line_billed_worth" CHECK ("goods_received_line"."billed_value" between 0 and "goods_received_line"."value")
);
--> statement-breakpoint
CREATE TABLE "purchase_order" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "purchase_order_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"supplier_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"wanted_by" date,
	"direct" boolean DEFAULT false NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"sent_on" date,
	"closed_on" date,
	"closed_reason" text DEFAULT '' NOT NULL,
	CONSTRAINT "purchase_order_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "purchase_order_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "purchase_order_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"order_id" integer NOT NULL,
	"position" integer NOT NULL,
	"goods_id" integer,
	"description" text NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"unit_cost" numeric(18, 4) NOT NULL,
	"tax_code_id" integer,
	"sale_line_id" integer,
	"received" numeric(18, 4) DEFAULT '0' NOT NULL,
	"billed" numeric(18, 4) DEFAULT '0' NOT NULL,
	"ahead" numeric(18, 4) DEFAULT '0' NOT NULL,
	"ahead_value" bigint DEFAULT 0 NOT NULL,
	CONSTRAINT "order_line_positive" CHECK ("purchase_order_line"."quantity" > 0 and "purchase_order_line"."unit_cost" >= 0),
	CONSTRAINT "order_line_tallies" CHECK ("purchase_order_line"."received" >= 0 and "purchase_order_line"."billed" >= 0 and "purchase_order_line"."ahead" between 0 and "purchase_order_line"."billed"),
	CONSTRAINT "order_line_ahead_worth" CHECK ("purchase_order_line"."ahead_value" >= 0 and ("purchase_order_line"."ahead" <> 0 or "purchase_order_line"."ahead_value" = 0))
);
--> statement-breakpoint
CREATE TABLE "supplier_payment" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_payment_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"supplier_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"account_id" integer NOT NULL,
	"amount" bigint NOT NULL,
	"entry_id" integer NOT NULL,
	"voided_on" date,
	"void_reason" text DEFAULT '' NOT NULL,
	CONSTRAINT "supplier_payment_number_unique" UNIQUE("number"),
	CONSTRAINT "supplier_payment_positive" CHECK ("supplier_payment"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "goods_supplier" ADD COLUMN "pack_size" numeric(18, 4) DEFAULT '1' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods_supplier" ADD COLUMN "unit_cost" numeric(18, 4);--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "address" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "net_days" integer DEFAULT 30 NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "discount_percent" numeric(7, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "discount_days" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "bank_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "iban" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "bic" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "routing" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "bank_account" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "came_for" numeric(18, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "ahead_move" ADD CONSTRAINT "ahead_move_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ahead_move" ADD CONSTRAINT "ahead_move_payment_id_supplier_payment_id_fk" FOREIGN KEY ("payment_id") REFERENCES "public"."supplier_payment"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ahead_move" ADD CONSTRAINT "ahead_move_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ahead_move" ADD CONSTRAINT "ahead_move_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill" ADD CONSTRAINT "bill_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill" ADD CONSTRAINT "bill_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_fill" ADD CONSTRAINT "bill_fill_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_fill" ADD CONSTRAINT "bill_fill_payment_id_supplier_payment_id_fk" FOREIGN KEY ("payment_id") REFERENCES "public"."supplier_payment"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_fill" ADD CONSTRAINT "bill_fill_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_line" ADD CONSTRAINT "bill_line_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_line" ADD CONSTRAINT "bill_line_received_line_id_goods_received_line_id_fk" FOREIGN KEY ("received_line_id") REFERENCES "public"."goods_received_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_line" ADD CONSTRAINT "bill_line_order_line_id_purchase_order_line_id_fk" FOREIGN KEY ("order_line_id") REFERENCES "public"."purchase_order_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_line" ADD CONSTRAINT "bill_line_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_line" ADD CONSTRAINT "bill_line_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received" ADD CONSTRAINT "goods_received_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received" ADD CONSTRAINT "goods_received_order_id_purchase_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."purchase_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received" ADD CONSTRAINT "goods_received_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received" ADD CONSTRAINT "goods_received_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD CONSTRAINT "goods_received_line_received_id_goods_received_id_fk" FOREIGN KEY ("received_id") REFERENCES "public"."goods_received"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD CONSTRAINT "goods_received_line_order_line_id_purchase_order_line_id_fk" FOREIGN KEY ("order_line_id") REFERENCES "public"."purchase_order_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_received_line" ADD CONSTRAINT "goods_received_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_order" ADD CONSTRAINT "purchase_order_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "purchase_order_line_order_id_purchase_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."purchase_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "purchase_order_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "purchase_order_line_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_order_line" ADD CONSTRAINT "purchase_order_line_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_payment" ADD CONSTRAINT "supplier_payment_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_payment" ADD CONSTRAINT "supplier_payment_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplier_payment" ADD CONSTRAINT "supplier_payment_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "ahead_move_supplier" ON "ahead_move" USING btree ("supplier_id","on_day");--> statement-breakpoint
CREATE UNIQUE INDEX "bill_their_number_once" ON "bill" USING btree ("supplier_id",lower("their_number")) WHERE "bill"."voided_on" is null;--> statement-breakpoint
CREATE INDEX "bill_open" ON "bill" USING btree ("due_on") WHERE "bill"."filled" < "bill"."gross" and "bill"."voided_on" is null;--> statement-breakpoint
CREATE INDEX "bill_fill_bill" ON "bill_fill" USING btree ("bill_id","on_day");--> statement-breakpoint
CREATE INDEX "bill_fill_day" ON "bill_fill" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "bill_fill_payment" ON "bill_fill" USING btree ("payment_id");--> statement-breakpoint
CREATE INDEX "bill_line_bill" ON "bill_line" USING btree ("bill_id");--> statement-breakpoint
CREATE INDEX "bill_line_received" ON "bill_line" USING btree ("received_line_id");--> statement-breakpoint
CREATE INDEX "bill_line_order" ON "bill_line" USING btree ("order_line_id");--> statement-breakpoint
CREATE INDEX "goods_received_supplier" ON "goods_received" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "goods_received_order" ON "goods_received" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "goods_received_line_paper" ON "goods_received_line" USING btree ("received_id");--> statement-breakpoint
CREATE INDEX "goods_received_line_order" ON "goods_received_line" USING btree ("order_line_id");--> statement-breakpoint
CREATE INDEX "purchase_order_supplier" ON "purchase_order" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "purchase_order_open" ON "purchase_order" USING btree ("sent_on") WHERE "purchase_order"."closed_on" is null;--> statement-breakpoint
CREATE INDEX "purchase_order_line_order" ON "purchase_order_line" USING btree ("order_id");--> statement-breakpoint
CREATE INDEX "purchase_order_line_goods" ON "purchase_order_line" USING btree ("goods_id");--> statement-breakpoint
CREATE INDEX "purchase_order_line_sale" ON "purchase_order_line" USING btree ("sale_line_id");--> statement-breakpoint
CREATE INDEX "supplier_payment_supplier" ON "supplier_payment" USING btree ("supplier_id");--> statement-breakpoint
CREATE INDEX "supplier_name" ON "supplier" USING btree (lower("name"));--> statement-breakpoint
ALTER TABLE "supplier" ADD CONSTRAINT "supplier_terms" CHECK ("supplier"."net_days" >= 0 and "supplier"."discount_days" >= 0 and "supplier"."discount_percent" between 0 and 100);
--> statement-breakpoint
-- Businesses that are set up get the accounts that buying posts to; where their codes are taken, beside them.
insert into account (code, name, kind, role)
  select case when exists (select from account a where a.code = n.code) then n.code || '-S' else n.code end, n.name, n.kind, n.role
    from (values ('1310', 'Paid in advance to suppliers', 'asset', 'paid-ahead'),
                 ('4120', 'Discounts from suppliers', 'income', 'purchase-discounts')) n (code, name, kind, role)
   where exists (select from business) and not exists (select from account a where a.role = n.role);
--> statement-breakpoint
create trigger goods_received_fixed before update or delete on goods_received for each row execute function refuse_change();
--> statement-breakpoint
create trigger goods_received_period before insert on goods_received for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger bill_period before insert on bill for each row execute function refuse_closed_period();
--> statement-breakpoint
create trigger bill_line_fixed before update or delete on bill_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger bill_fill_fixed before update or delete on bill_fill for each row execute function refuse_change();
--> statement-breakpoint
create trigger ahead_move_fixed before update or delete on ahead_move for each row execute function refuse_change();
--> statement-breakpoint
create function bill_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or (new.id, new.supplier_id, new.their_number, new.on_day, new.net, new.tax, new.gross, new.entry_id)
      is distinct from (old.id, old.supplier_id, old.their_number, old.on_day, old.net, old.tax, old.gross, old.entry_id) then
    raise exception 'a bill does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger bill_fixed before update or delete on bill for each row execute function bill_keeps_its_amount();
--> statement-breakpoint
create function payment_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or (new.id, new.supplier_id, new.on_day, new.account_id, new.amount, new.entry_id)
      is distinct from (old.id, old.supplier_id, old.on_day, old.account_id, old.amount, old.entry_id) then
    raise exception 'a payment does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger supplier_payment_fixed before update or delete on supplier_payment for each row execute function payment_keeps_its_amount();
--> statement-breakpoint
create function fill_bill() returns trigger language plpgsql as $$
begin
  if exists (select from bill b where b.id = new.bill_id and new.on_day < b.on_day) then
    raise exception 'bill % is filled before its day', new.bill_id using errcode = 'check_violation', constraint = 'bill_filled_before_it_was';
  end if;
  update bill set filled = filled + new.amount where id = new.bill_id;
  return null;
end $$;
--> statement-breakpoint
create trigger bill_fill_counts after insert on bill_fill for each row execute function fill_bill();
--> statement-breakpoint
create function bill_right_on_every_day() returns trigger language plpgsql as $$
begin
  if exists (
    select from (select on_day, sum(sum(amount)) over (order by on_day) as filled from bill_fill where bill_id = new.bill_id group by on_day) r
      join bill b on b.id = new.bill_id
     where r.on_day >= new.on_day and (r.filled < 0 or r.filled > b.gross)) then
    raise exception 'bill % is not right on every day', new.bill_id using errcode = 'check_violation', constraint = 'bill_right_on_every_day';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger bill_fill_on_every_day after insert on bill_fill
  deferrable initially deferred for each row execute function bill_right_on_every_day();
--> statement-breakpoint
create function ahead_on_every_day() returns trigger language plpgsql as $$
begin
  if exists (
    select from (select on_day, sum(sum(amount)) over (order by on_day) as there from ahead_move where supplier_id = new.supplier_id group by on_day) r
     where r.on_day >= new.on_day and r.there < 0) then
    raise exception 'paid ahead to supplier % is below zero on some day', new.supplier_id using errcode = 'check_violation', constraint = 'ahead_on_every_day';
  end if;
  return null;
end $$;
--> statement-breakpoint
create constraint trigger ahead_move_on_every_day after insert on ahead_move
  deferrable initially deferred for each row execute function ahead_on_every_day();
