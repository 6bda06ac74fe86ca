ALTER TABLE "sale" ADD COLUMN "tax_rounded_per" text DEFAULT 'document' NOT NULL;--> statement-breakpoint
-- A sale keeps what it was told with: until now all went by what the business said.
UPDATE "sale" SET "tax_rounded_per" = 'line' FROM "business" WHERE "business"."tax_rounded_per" = 'line';
