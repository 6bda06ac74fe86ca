ALTER TABLE "card_payment" ADD COLUMN "due_id" integer;--> statement-breakpoint
ALTER TABLE "card_payment" ADD CONSTRAINT "card_payment_due_id_due_id_fk" FOREIGN KEY ("due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "card_payment_due_asked" ON "card_payment" USING btree ("due_id") WHERE "card_payment"."state" = 'asked';