CREATE TABLE "purchase_order_version" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "purchase_order_version_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"order_id" integer NOT NULL,
	"n" integer NOT NULL,
	"on_day" date NOT NULL,
	"content" jsonb NOT NULL,
	CONSTRAINT "purchase_order_version_once" UNIQUE("order_id","n")
);
--> statement-breakpoint
ALTER TABLE "post" ALTER COLUMN "customer_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "purchase_order" ADD COLUMN "confirmed_for" date;--> statement-breakpoint
ALTER TABLE "post" ADD COLUMN "supplier_id" integer;--> statement-breakpoint
ALTER TABLE "purchase_order_version" ADD CONSTRAINT "purchase_order_version_order_id_purchase_order_id_fk" FOREIGN KEY ("order_id") REFERENCES "public"."purchase_order"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "post" ADD CONSTRAINT "post_supplier_id_supplier_id_fk" FOREIGN KEY ("supplier_id") REFERENCES "public"."supplier"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "post_supplier" ON "post" USING btree ("supplier_id","id");--> statement-breakpoint
ALTER TABLE "post" ADD CONSTRAINT "post_to_somebody" CHECK (num_nonnulls("post"."customer_id", "post"."supplier_id") = 1);
--> statement-breakpoint
create trigger purchase_order_version_fixed before update or delete on purchase_order_version for each row execute function refuse_change();
