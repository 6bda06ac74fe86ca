CREATE TABLE "tax_area" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_area_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	"tax_code_id" integer NOT NULL,
	CONSTRAINT "tax_area_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "contact" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "contact_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"name" text NOT NULL,
	"role" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "customer_link" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "customer_link_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"token_hash" text NOT NULL,
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"made_on" date NOT NULL,
	"withdrawn_on" date,
	"seen_on" date,
	CONSTRAINT "customer_link_tokenHash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "goods_supplier" (
	"goods_id" integer NOT NULL,
	"supplier_id" integer NOT NULL,
	"code" text DEFAULT '' NOT NULL,
	"preferred" boolean DEFAULT false NOT NULL,
	CONSTRAINT "goods_supplier_goods_id_supplier_id_pk" PRIMARY KEY("goods_id","supplier_id")
);
--> statement-breakpoint
CREATE TABLE "price" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "price_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"goods_id" integer NOT NULL,
	"level_id" integer,
	"from_quantity" numeric(18, 4) DEFAULT '0' NOT NULL,
	"price" numeric(18, 4) NOT NULL,
	"valid_from" date,
	"valid_until" date,
	CONSTRAINT "price_once" UNIQUE NULLS NOT DISTINCT("goods_id","level_id","from_quantity","valid_from"),
	CONSTRAINT "price_not_below_zero" CHECK ("price"."price" >= 0 and "price"."from_quantity" >= 0),
	CONSTRAINT "price_valid_forwards" CHECK ("price"."valid_until" >= "price"."valid_from")
);
--> statement-breakpoint
CREATE TABLE "price_level" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "price_level_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"code" text NOT NULL,
	"name" text NOT NULL,
	"percent_off" numeric(7, 4) DEFAULT '0' NOT NULL,
	"prices_include_tax" boolean,
	CONSTRAINT "price_level_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "supplier" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "supplier_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"name" text NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "next_mark" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "next_mark_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"sale_id" integer NOT NULL,
	"action" text NOT NULL,
	"since" date NOT NULL,
	"until" date,
	"reason" text DEFAULT '' NOT NULL,
	"marked_on" date NOT NULL,
	CONSTRAINT "next_mark_step" UNIQUE("sale_id","action")
);
--> statement-breakpoint
CREATE TABLE "repeat" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "repeat_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"sale_id" integer NOT NULL,
	"every" text NOT NULL,
	"first_on" date NOT NULL,
	"next_on" date,
	"done" integer DEFAULT 0 NOT NULL,
	"until_day" date,
	"times" integer,
	"makes" text NOT NULL,
	"by_itself" boolean DEFAULT false NOT NULL,
	"stopped_on" date
);
--> statement-breakpoint
CREATE TABLE "repeat_run" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "repeat_run_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"repeat_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"sale_id" integer NOT NULL,
	CONSTRAINT "repeat_once_a_day" UNIQUE("repeat_id","on_day")
);
--> statement-breakpoint
CREATE TABLE "file" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "file_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"name" text NOT NULL,
	"type" text NOT NULL,
	"size" integer NOT NULL,
	"body" "bytea" NOT NULL,
	"owner_kind" text NOT NULL,
	"owner_id" integer NOT NULL,
	"added_on" date NOT NULL,
	CONSTRAINT "file_limited" CHECK ("file"."size" between 1 and 4000000)
);
--> statement-breakpoint
CREATE TABLE "mailbox" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "mailbox_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"message_id" text NOT NULL,
	"sender" text NOT NULL,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"attachments" jsonb NOT NULL,
	"arrived_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "mailbox_messageId_unique" UNIQUE("message_id")
);
--> statement-breakpoint
CREATE TABLE "paper_layout" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "paper_layout_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"paper" text NOT NULL,
	"name" text NOT NULL,
	"usual" boolean DEFAULT false NOT NULL,
	"spec" jsonb NOT NULL,
	CONSTRAINT "paper_layout_name" UNIQUE("paper","name")
);
--> statement-breakpoint
CREATE TABLE "post" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "post_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"paper" text NOT NULL,
	"paper_id" integer,
	"recipient" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"message_id" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_try_at" timestamp with time zone DEFAULT now() NOT NULL,
	"problem" text DEFAULT '' NOT NULL,
	"written_on" date NOT NULL,
	"sent_on" date,
	CONSTRAINT "post_messageId_unique" UNIQUE("message_id")
);
--> statement-breakpoint
CREATE TABLE "post_template" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "post_template_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"paper" text NOT NULL,
	"language" text NOT NULL,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	CONSTRAINT "post_template_once" UNIQUE("paper","language")
);
--> statement-breakpoint
CREATE TABLE "basket" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "basket_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"token_hash" text NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"email" text DEFAULT '' NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"deliver_to" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"turn" integer DEFAULT 0 NOT NULL,
	"started_on" date NOT NULL,
	"touched_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sale_id" integer,
	CONSTRAINT "basket_tokenHash_unique" UNIQUE("token_hash")
);
--> statement-breakpoint
CREATE TABLE "basket_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "basket_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"basket_id" integer NOT NULL,
	"goods_id" integer NOT NULL,
	"quantity" numeric(18, 4) NOT NULL,
	CONSTRAINT "basket_line_once" UNIQUE("basket_id","goods_id"),
	CONSTRAINT "basket_line_positive" CHECK ("basket_line"."quantity" > 0)
);
--> statement-breakpoint
CREATE TABLE "card_payment" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "card_payment_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"reference" text NOT NULL,
	"customer_id" integer NOT NULL,
	"sale_id" integer,
	"amount" bigint NOT NULL,
	"state" text DEFAULT 'asked' NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"asked_on" date NOT NULL,
	"receipt_id" integer,
	CONSTRAINT "card_payment_reference_unique" UNIQUE("reference"),
	CONSTRAINT "card_payment_receiptId_unique" UNIQUE("receipt_id"),
	CONSTRAINT "card_payment_positive" CHECK ("card_payment"."amount" > 0)
);
--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "phone" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "email" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "header" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "conditions" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "colour" text DEFAULT '#1f2327' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "mark_file_id" integer;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "paper_size" text DEFAULT 'A4' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "kinds" text[] DEFAULT '{sales,repairs,rental}' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "smtp_url" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "shopfront_open" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "address" ADD COLUMN "instructions" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "address" ADD COLUMN "tax_area" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "customer" ADD COLUMN "language" text DEFAULT 'en' NOT NULL;--> statement-breakpoint
ALTER TABLE "customer" ADD COLUMN "tags" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "customer" ADD COLUMN "joined_to_id" integer;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "tags" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "weight" numeric(18, 4);--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "size" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "reorder_at" numeric(18, 4);--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "price_is_sum" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "on_shopfront" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "goods" ADD COLUMN "picture_file_id" integer;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "note_above" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "discount_percent" numeric(7, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "discount_amount" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "rolled_up" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "bill_to" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "deliver_to" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "deliver_note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "yes_by" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "yes_how" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "copied_from_id" integer;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "choice" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "choice_group" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "chosen" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "price_from" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "discount_amount" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "whole_less" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "expected_cost" numeric(18, 4) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_line" ADD COLUMN "deliver_to" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "sale_version" ADD COLUMN "less" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "tax_area" ADD CONSTRAINT "tax_area_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "contact" ADD CONSTRAINT "contact_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "customer_link" ADD CONSTRAINT "customer_link_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_supplier" ADD CONSTRAINT "goods_supplier_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "goods_supplier" ADD CONSTRAINT "goods_supplier_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price" ADD CONSTRAINT "price_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "price" ADD CONSTRAINT "price_level_id_price_level_id_fk" FOREIGN KEY ("level_id") REFERENCES "public"."price_level"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "next_mark" ADD CONSTRAINT "next_mark_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "repeat" ADD CONSTRAINT "repeat_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "repeat_run" ADD CONSTRAINT "repeat_run_repeat_id_repeat_id_fk" FOREIGN KEY ("repeat_id") REFERENCES "public"."repeat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "repeat_run" ADD CONSTRAINT "repeat_run_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "post" ADD CONSTRAINT "post_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "basket" ADD CONSTRAINT "basket_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "basket_line" ADD CONSTRAINT "basket_line_basket_id_basket_id_fk" FOREIGN KEY ("basket_id") REFERENCES "public"."basket"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "basket_line" ADD CONSTRAINT "basket_line_goods_id_goods_id_fk" FOREIGN KEY ("goods_id") REFERENCES "public"."goods"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_payment" ADD CONSTRAINT "card_payment_customer_id_customer_id_fk" FOREIGN KEY ("customer_id") REFERENCES "public"."customer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_payment" ADD CONSTRAINT "card_payment_sale_id_sale_id_fk" FOREIGN KEY ("sale_id") REFERENCES "public"."sale"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "card_payment" ADD CONSTRAINT "card_payment_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "contact_customer" ON "contact" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "customer_link_customer" ON "customer_link" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "customer_link_sale" ON "customer_link" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "price_goods" ON "price" USING btree ("goods_id");--> statement-breakpoint
CREATE INDEX "repeat_next" ON "repeat" USING btree ("next_on");--> statement-breakpoint
CREATE INDEX "repeat_sale" ON "repeat" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "repeat_run_sale" ON "repeat_run" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "file_owner" ON "file" USING btree ("owner_kind","owner_id");--> statement-breakpoint
CREATE INDEX "post_customer" ON "post" USING btree ("customer_id","id");--> statement-breakpoint
CREATE INDEX "post_sale" ON "post" USING btree ("sale_id");--> statement-breakpoint
CREATE INDEX "post_waiting" ON "post" USING btree ("next_try_at") WHERE "post"."state" = 'waiting';--> statement-breakpoint
CREATE INDEX "basket_open" ON "basket" USING btree ("touched_at") WHERE "basket"."sale_id" is null;--> statement-breakpoint
CREATE INDEX "card_payment_customer" ON "card_payment" USING btree ("customer_id");--> statement-breakpoint
CREATE INDEX "customer_email" ON "customer" USING btree (lower("email")) WHERE "customer"."email" <> '';--> statement-breakpoint
ALTER TABLE "customer" ADD CONSTRAINT "not_joined_to_itself" CHECK ("customer"."joined_to_id" <> "customer"."id");