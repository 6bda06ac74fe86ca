ALTER TABLE "business" ADD COLUMN "locale" text DEFAULT 'en-US' NOT NULL;--> statement-breakpoint
-- Dues that are charges are called as the acts that make them.
update "due" set "label" = 'Late fee ' || substr("label", 13) where "label" like 'Late charge %';
--> statement-breakpoint
update "due" set "label" = 'Returned-check fee ' || substr("label", 33) where "label" like 'Charge for money that came back %';
