ALTER TABLE "bank_account" ADD COLUMN "feed_since" date;--> statement-breakpoint
ALTER TABLE "bank_account" ADD COLUMN "fed_through" date;