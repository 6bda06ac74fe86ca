ALTER TABLE "tax_code" DROP CONSTRAINT "tax_code_code_unique";--> statement-breakpoint
ALTER TABLE "tax_code" ADD COLUMN "rate_of" integer;--> statement-breakpoint
ALTER TABLE "tax_code" ADD COLUMN "from_day" date;--> statement-breakpoint
ALTER TABLE "sale" ADD COLUMN "rate_shift" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "tax_code" ADD CONSTRAINT "tax_code_rate_of_tax_code_id_fk" FOREIGN KEY ("rate_of") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_code" ADD CONSTRAINT "tax_code_once" UNIQUE NULLS NOT DISTINCT("code","from_day");