ALTER TABLE "business" ADD COLUMN "tax_number" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "iban" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "bic" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "payment_details" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "business" ADD COLUMN "exported_on" date;