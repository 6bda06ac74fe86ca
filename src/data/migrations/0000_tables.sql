CREATE TABLE "api_token" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "api_token_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "api_token_tokenHash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "business" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"currency" text NOT NULL,
	"opened_on" date NOT NULL,
	"passphrase_hash" text NOT NULL,
	"prices_include_tax" boolean DEFAULT false NOT NULL,
	"tax_rounded_per" text DEFAULT 'document' NOT NULL,
	"closed_through" date,
	"estimate_days" integer DEFAULT 30 NOT NULL,
	"address" text DEFAULT '' NOT NULL,
	"footer" text DEFAULT '' NOT NULL,
	"demo_passphrase" text,
	CONSTRAINT "one_business" CHECK ("business"."id" = 1)
);
--> statement-breakpoint
CREATE TABLE "command" (
	"key" text PRIMARY KEY NOT NULL,
	"fingerprint" text NOT NULL,
	"answer" jsonb,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "number_series" (
	"series" text NOT NULL,
	"year" integer NOT NULL,
	"last" integer NOT NULL,
	CONSTRAINT "number_series_series_year_pk" PRIMARY KEY("series","year")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "account" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "account_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"role" text,
	CONSTRAINT "account_code_unique" UNIQUE("code"),
	CONSTRAINT "account_role_unique" UNIQUE("role")
);
--> statement-breakpoint
CREATE TABLE "account_month" (
	"account_id" integer NOT NULL,
	"month" date NOT NULL,
	"debit" bigint NOT NULL,
	"credit" bigint NOT NULL,
	CONSTRAINT "account_month_account_id_month_pk" PRIMARY KEY("account_id","month")
);
--> statement-breakpoint
CREATE TABLE "entry" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "entry_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"on_day" date NOT NULL,
	"text" text NOT NULL,
	"source_kind" text NOT NULL,
	"source_id" integer,
	"sale_id" integer,
	"customer_id" integer,
	"reverses_id" integer,
	"posted_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "entry_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "entry_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"entry_id" integer NOT NULL,
	"account_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	CONSTRAINT "entry_line_not_zero" CHECK ("entry_line"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "tax_code" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_code_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	"treatment" text NOT NULL,
	CONSTRAINT "tax_code_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "tax_component" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_component_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"tax_code_id" integer NOT NULL,
	"name" text NOT NULL,
	"rate" numeric(12, 8) NOT NULL,
	"account_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "address" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "address_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"is_default" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "customer" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "customer_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"name" text NOT NULL,
	"contact" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"kind" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"net_days" integer DEFAULT 0 NOT NULL,
	"discount_percent" numeric(7, 4),
	"discount_days" integer,
	"tax_exempt" boolean DEFAULT false NOT NULL,
	"exempt_number" text DEFAULT '' NOT NULL,
	"exempt_until" date,
	"price_level" text DEFAULT '' NOT NULL,
	"credit_limit" bigint,
	"walk_in" boolean DEFAULT false NOT NULL,
	"since" date NOT NULL
);
--> statement-breakpoint
CREATE TABLE "goods" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "goods_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"price" numeric(18, 4) NOT NULL,
	"tax_code_id" integer NOT NULL,
	"income_account_id" integer NOT NULL,
	"barcode" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"retired" boolean DEFAULT false NOT NULL,
	CONSTRAINT "goods_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "goods_part" (
	"kit_id" integer NOT NULL,
	"part_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	CONSTRAINT "goods_part_kit_id_part_id_pk" PRIMARY KEY("kit_id","part_id"),
	CONSTRAINT "part_positive" CHECK ("goods_part"."quantity" > 0)
);
--> statement-breakpoint
CREATE TABLE "place" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "place_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "place_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "shelf" (
	"goods_id" integer NOT NULL,
	"place_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	CONSTRAINT "shelf_goods_id_place_id_pk" PRIMARY KEY("goods_id","place_id"),
	CONSTRAINT "shelf_not_below_zero" CHECK ("shelf"."quantity" >= 0),
	CONSTRAINT "empty_shelf_worth_nothing" CHECK ("shelf"."quantity" <> 0 or "shelf"."value" = 0)
);
--> statement-breakpoint
CREATE TABLE "stock_count" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "stock_count_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"on_day" date NOT NULL,
	"place_id" integer NOT NULL,
	"entry_id" integer,
	CONSTRAINT "stock_count_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "stock_move" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "stock_move_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"goods_id" integer NOT NULL,
	"place_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"value" bigint NOT NULL,
	"paper_kind" text NOT NULL,
	"paper_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "deposit_request" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "deposit_request_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"sale_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"percent" numeric(7, 4),
	"amount" bigint NOT NULL,
	CONSTRAINT "deposit_request_number_unique" UNIQUE("number"),
	CONSTRAINT "deposit_positive" CHECK ("deposit_request"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "handover" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "handover_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"sale_id" integer NOT NULL,
	"direction" text NOT NULL,
	"on_day" date NOT NULL,
	"by" text NOT NULL,
	"entry_id" integer,
	CONSTRAINT "handover_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "handover_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "handover_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"handover_id" integer NOT NULL,
	"sale_line_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"cost" bigint NOT NULL,
	"earned" bigint NOT NULL,
	"replace" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "sale" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "sale_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" integer NOT NULL,
	"customer_id" integer NOT NULL,
	"title" text DEFAULT '' NOT NULL,
	"started_on" date NOT NULL,
	"channel" text DEFAULT 'phone' NOT NULL,
	"kind" text DEFAULT 'sales' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"arrangement" jsonb NOT NULL,
	"prices_include_tax" boolean NOT NULL,
	"sent_on" date,
	"valid_until" date,
	"agreed_on" date,
	"purchase_order" text DEFAULT '' NOT NULL,
	"wanted_by" date,
	"closed_as" text,
	"closed_on" date,
	"closed_reason" text DEFAULT '' NOT NULL,
	"stage" text DEFAULT 'draft' NOT NULL,
	"total" bigint DEFAULT 0 NOT NULL,
	"billed" bigint DEFAULT 0 NOT NULL,
	"late_from" date,
	CONSTRAINT "sale_number_unique" UNIQUE("number")
);
--> statement-breakpoint
CREATE TABLE "sale_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "sale_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"sale_id" integer NOT NULL,
	"position" integer NOT NULL,
	"goods_id" integer,
	"kind" text NOT NULL,
	"description" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"unit_price" numeric(18, 4) NOT NULL,
	"discount_percent" numeric(7, 4) DEFAULT '0' NOT NULL,
	"tax_code_id" integer NOT NULL,
	"income_account_id" integer NOT NULL,
	"agreed" numeric(18, 4) DEFAULT '0' NOT NULL,
	"handed_over" numeric(18, 4) DEFAULT '0' NOT NULL,
	"returned" numeric(18, 4) DEFAULT '0' NOT NULL,
	"to_replace" numeric(18, 4) DEFAULT '0' NOT NULL,
	"billed" numeric(18, 4) DEFAULT '0' NOT NULL,
	"credited" numeric(18, 4) DEFAULT '0' NOT NULL,
	"to_rebill" numeric(18, 4) DEFAULT '0' NOT NULL,
	CONSTRAINT "line_quantity_positive" CHECK ("sale_line"."quantity" >= 0 and "sale_line"."unit_price" >= 0),
	CONSTRAINT "line_not_overfilled" CHECK ("sale_line"."handed_over" - "sale_line"."to_replace" <= "sale_line"."agreed" and "sale_line"."billed" - "sale_line"."to_rebill" <= "sale_line"."agreed"),
	CONSTRAINT "line_not_given_back_twice" CHECK ("sale_line"."returned" <= "sale_line"."handed_over" and "sale_line"."credited" <= "sale_line"."billed")
);
--> statement-breakpoint
CREATE TABLE "sale_version" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "sale_version_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"sale_id" integer NOT NULL,
	"n" integer NOT NULL,
	"kind" text NOT NULL,
	"on_day" date NOT NULL,
	"valid_until" date,
	"lines" jsonb NOT NULL,
	"gross" bigint NOT NULL,
	CONSTRAINT "sale_version_n" UNIQUE("sale_id","n")
);
--> statement-breakpoint
CREATE TABLE "invoice" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "invoice_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"kind" text NOT NULL,
	"status" text DEFAULT 'draft' NOT NULL,
	"number" text,
	"sale_id" integer NOT NULL,
	"customer_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"gross" bigint NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"credits_id" integer,
	"entry_id" integer,
	CONSTRAINT "invoice_number_unique" UNIQUE("number"),
	CONSTRAINT "issued_has_number" CHECK (("invoice"."status" = 'issued') = ("invoice"."number" is not null)),
	CONSTRAINT "invoice_adds_up" CHECK ("invoice"."net" + "invoice"."tax" = "invoice"."gross")
);
--> statement-breakpoint
CREATE TABLE "invoice_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "invoice_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"invoice_id" integer NOT NULL,
	"sale_line_id" integer NOT NULL,
	"credits_line_id" integer,
	"goods_id" integer,
	"description" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	"unit_price" numeric(18, 4) NOT NULL,
	"discount_percent" numeric(7, 4) NOT NULL,
	"tax_code_id" integer NOT NULL,
	"income_account_id" integer NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL,
	"ahead" bigint DEFAULT 0 NOT NULL,
	"rebill" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "invoice_tax" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "invoice_tax_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"invoice_id" integer NOT NULL,
	"tax_code_id" integer NOT NULL,
	"component_id" integer,
	"net" bigint NOT NULL,
	"amount" bigint NOT NULL
);
--> statement-breakpoint
CREATE TABLE "due" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "due_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"invoice_id" integer NOT NULL,
	"sale_id" integer NOT NULL,
	"customer_id" integer NOT NULL,
	"issued_on" date NOT NULL,
	"due_on" date NOT NULL,
	"amount" bigint NOT NULL,
	"filled" bigint DEFAULT 0 NOT NULL,
	CONSTRAINT "due_not_overfilled" CHECK ("due"."filled" >= 0 and "due"."filled" <= "due"."amount")
);
--> statement-breakpoint
CREATE TABLE "due_fill" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "due_fill_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"due_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"kind" text NOT NULL,
	"receipt_id" integer,
	"invoice_id" integer,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "held" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "held_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"kind" text NOT NULL,
	"amount" bigint NOT NULL,
	CONSTRAINT "held_place" UNIQUE NULLS NOT DISTINCT("customer_id","sale_id","kind"),
	CONSTRAINT "held_not_below_zero" CHECK ("held"."amount" >= 0)
);
--> statement-breakpoint
CREATE TABLE "held_move" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "held_move_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"kind" text NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"why" text NOT NULL,
	"receipt_id" integer,
	"invoice_id" integer,
	"refund_id" integer,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "receipt" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "receipt_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"customer_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"method" text NOT NULL,
	"amount" bigint NOT NULL,
	"tendered" bigint NOT NULL,
	"reference" text DEFAULT '' NOT NULL,
	"invoice_id" integer,
	"entry_id" integer NOT NULL,
	CONSTRAINT "receipt_number_unique" UNIQUE("number"),
	CONSTRAINT "receipt_positive" CHECK ("receipt"."amount" > 0 and "receipt"."tendered" >= "receipt"."amount")
);
--> statement-breakpoint
CREATE TABLE "receipt_void" (
	"receipt_id" integer PRIMARY KEY NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "refund" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "refund_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"number" text NOT NULL,
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"on_day" date NOT NULL,
	"method" text NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "refund_number_unique" UNIQUE("number")
);
--> statement-breakpoint
ALTER TABLE "account_month" ADD CONSTRAINT "account_month_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_reverses_id_entry_id_fk" FOREIGN KEY ("reverses_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_line" ADD CONSTRAINT "entry_line_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_line" ADD CONSTRAINT "entry_line_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_component" ADD CONSTRAINT "tax_component_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_component" ADD CONSTRAINT "tax_component_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "address" ADD CONSTRAINT "address_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods" ADD CONSTRAINT "goods_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods" ADD CONSTRAINT "goods_income_account_id_account_id_fk" FOREIGN KEY ("income_account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_part" ADD CONSTRAINT "goods_part_kit_id_goods_id_fk" FOREIGN KEY ("kit_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_part" ADD CONSTRAINT "goods_part_part_id_goods_id_fk" FOREIGN KEY ("part_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelf" ADD CONSTRAINT "shelf_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_count" ADD CONSTRAINT "stock_count_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_count" ADD CONSTRAINT "stock_count_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stock_move" ADD CONSTRAINT "stock_move_place_id_place_id_fk" FOREIGN KEY ("place_id") REFERENCES "public"."place"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deposit_request" ADD CONSTRAINT "deposit_request_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handover" ADD CONSTRAINT "handover_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handover" ADD CONSTRAINT "handover_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handover_line" ADD CONSTRAINT "handover_line_handover_id_handover_id_fk" FOREIGN KEY ("handover_id") REFERENCES "public"."handover"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handover_line" ADD CONSTRAINT "handover_line_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale" ADD CONSTRAINT "sale_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_line" ADD CONSTRAINT "sale_line_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_line" ADD CONSTRAINT "sale_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_line" ADD CONSTRAINT "sale_line_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_line" ADD CONSTRAINT "sale_line_income_account_id_account_id_fk" FOREIGN KEY ("income_account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_version" ADD CONSTRAINT "sale_version_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice" ADD CONSTRAINT "invoice_credits_id_invoice_id_fk" FOREIGN KEY ("credits_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_sale_line_id_sale_line_id_fk" FOREIGN KEY ("sale_line_id") REFERENCES "public"."sale_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_income_account_id_account_id_fk" FOREIGN KEY ("income_account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_line" ADD CONSTRAINT "invoice_line_credits_line_id_invoice_line_id_fk" FOREIGN KEY ("credits_line_id") REFERENCES "public"."invoice_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_tax" ADD CONSTRAINT "invoice_tax_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_tax" ADD CONSTRAINT "invoice_tax_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invoice_tax" ADD CONSTRAINT "invoice_tax_component_id_tax_component_id_fk" FOREIGN KEY ("component_id") REFERENCES "public"."tax_component"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due" ADD CONSTRAINT "due_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due" ADD CONSTRAINT "due_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due" ADD CONSTRAINT "due_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due_fill" ADD CONSTRAINT "due_fill_due_id_due_id_fk" FOREIGN KEY ("due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due_fill" ADD CONSTRAINT "due_fill_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due_fill" ADD CONSTRAINT "due_fill_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "due_fill" ADD CONSTRAINT "due_fill_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held" ADD CONSTRAINT "held_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held" ADD CONSTRAINT "held_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_refund_id_refund_id_fk" FOREIGN KEY ("refund_id") REFERENCES "public"."refund"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_move" ADD CONSTRAINT "held_move_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_invoice_id_invoice_id_fk" FOREIGN KEY ("invoice_id") REFERENCES "public"."invoice"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt_void" ADD CONSTRAINT "receipt_void_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipt_void" ADD CONSTRAINT "receipt_void_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund" ADD CONSTRAINT "refund_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entry_day" ON "entry" USING btree ("on_day","id");--> statement-breakpoint
CREATE INDEX "entry_source" ON "entry" USING btree ("source_kind","source_id");--> statement-breakpoint
CREATE INDEX "entry_sale" ON "entry" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "entry_line_entry" ON "entry_line" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "entry_line_account" ON "entry_line" USING btree ("account_id","on_day","id");--> statement-breakpoint
CREATE INDEX "entry_line_day" ON "entry_line" USING btree ("on_day","account_id");--> statement-breakpoint
CREATE INDEX "address_customer" ON "address" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "customer_name" ON "customer" USING btree (lower("name"));--> statement-breakpoint
CREATE INDEX "customer_walk_in" ON "customer" USING btree ("id") WHERE "customer"."walk_in";--> statement-breakpoint
CREATE INDEX "goods_name" ON "goods" USING btree (lower("name"));--> statement-breakpoint
CREATE INDEX "goods_barcode" ON "goods" USING btree ("barcode") WHERE "goods"."barcode" <> '';--> statement-breakpoint
CREATE INDEX "stock_move_goods" ON "stock_move" USING btree ("goods_id","on_day","id");--> statement-breakpoint
CREATE INDEX "stock_move_day" ON "stock_move" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "deposit_request_sale" ON "deposit_request" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "handover_sale" ON "handover" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "handover_line_handover" ON "handover_line" USING btree ("handover_id");--> statement-breakpoint
CREATE INDEX "handover_line_line" ON "handover_line" USING btree ("sale_line_id");--> statement-breakpoint
CREATE INDEX "sale_customer" ON "sale" USING btree ("customer_id","id");--> statement-breakpoint
CREATE INDEX "sale_stage" ON "sale" USING btree ("stage","id");--> statement-breakpoint
CREATE INDEX "sale_working" ON "sale" USING btree ("id") WHERE "sale"."stage" in ('draft', 'offered', 'agreed', 'owing');--> statement-breakpoint
CREATE INDEX "sale_line_sale" ON "sale_line" USING btree ("sale_id","position");--> statement-breakpoint
CREATE INDEX "sale_line_waiting" ON "sale_line" USING btree ("goods_id") WHERE "sale_line"."agreed" > "sale_line"."handed_over" - "sale_line"."to_replace";--> statement-breakpoint
CREATE INDEX "invoice_sale" ON "invoice" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "invoice_customer" ON "invoice" USING btree ("customer_id","on_day");--> statement-breakpoint
CREATE INDEX "invoice_day" ON "invoice" USING btree ("on_day","id");--> statement-breakpoint
CREATE INDEX "invoice_credits" ON "invoice" USING btree ("credits_id");--> statement-breakpoint
CREATE INDEX "invoice_line_invoice" ON "invoice_line" USING btree ("invoice_id");--> statement-breakpoint
CREATE INDEX "invoice_line_sale_line" ON "invoice_line" USING btree ("sale_line_id");--> statement-breakpoint
CREATE INDEX "invoice_line_credits" ON "invoice_line" USING btree ("credits_line_id");--> statement-breakpoint
CREATE INDEX "invoice_tax_invoice" ON "invoice_tax" USING btree ("invoice_id");--> statement-breakpoint
CREATE INDEX "due_invoice" ON "due" USING btree ("invoice_id");--> statement-breakpoint
CREATE INDEX "due_sale" ON "due" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "due_customer" ON "due" USING btree ("customer_id","due_on");--> statement-breakpoint
CREATE INDEX "due_open" ON "due" USING btree ("customer_id","due_on") WHERE "due"."filled" < "due"."amount";--> statement-breakpoint
CREATE INDEX "due_fill_due" ON "due_fill" USING btree ("due_id");--> statement-breakpoint
CREATE INDEX "due_fill_receipt" ON "due_fill" USING btree ("receipt_id");--> statement-breakpoint
CREATE INDEX "due_fill_day" ON "due_fill" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "held_sale" ON "held" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "held_move_customer" ON "held_move" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "held_move_sale" ON "held_move" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "held_move_receipt" ON "held_move" USING btree ("receipt_id");--> statement-breakpoint
CREATE INDEX "held_move_day" ON "held_move" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "receipt_customer" ON "receipt" USING btree ("customer_id","on_day");--> statement-breakpoint
CREATE INDEX "receipt_day" ON "receipt" USING btree ("on_day","id");--> statement-breakpoint
CREATE INDEX "receipt_invoice" ON "receipt" USING btree ("invoice_id");--> statement-breakpoint
CREATE INDEX "refund_customer" ON "refund" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "refund_sale" ON "refund" USING btree ("sale_id");