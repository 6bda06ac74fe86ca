ALTER TABLE "budget" DROP CONSTRAINT "budget_not_below_zero";--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "tax_number" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier" ADD COLUMN "tax_code_id" integer;--> statement-breakpoint
ALTER TABLE "tax_move" ADD COLUMN "bill_id" integer;--> statement-breakpoint
ALTER TABLE "supplier" ADD CONSTRAINT "supplier_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "tax_move_bill" ON "tax_move" USING btree ("bill_id");