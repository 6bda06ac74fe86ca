CREATE INDEX "entry_reverses" ON "entry" USING btree ("reverses_id") WHERE "entry"."reverses_id" is not null;--> statement-breakpoint
CREATE INDEX "bill_voided" ON "bill" USING btree ("voided_on") WHERE "bill"."voided_on" is not null;--> statement-breakpoint
CREATE INDEX "bill_fill_discount" ON "bill_fill" USING btree ("on_day") WHERE "bill_fill"."kind" = 'discount';