ALTER TABLE "sale" ADD COLUMN "reworked" boolean DEFAULT false NOT NULL;--> statement-breakpoint
-- Estimates that are out and come to something else by now than what was sent.
UPDATE "sale" SET "reworked" = true
 WHERE "sent_on" IS NOT NULL AND "agreed_on" IS NULL
   AND "total" <> (SELECT v."gross" FROM "sale_version" v WHERE v."sale_id" = "sale"."id" ORDER BY v."n" DESC LIMIT 1);
--> statement-breakpoint
-- A name of the program's own stood for a word in what was written where nobody gave a reason.
UPDATE "sale" SET "closed_reason" = 'said no on their page' WHERE "closed_reason" = 'said refuseOfferInput on their page';
