ALTER TABLE "invoice" ADD COLUMN "says" jsonb;--> statement-breakpoint
-- What is issued never changes: but for once, to keep what it says from here on.
ALTER TABLE "invoice" DISABLE TRIGGER USER;--> statement-breakpoint
UPDATE "invoice" i
   SET "says" = jsonb_build_object(
         'name', c."name",
         'billTo', coalesce(nullif(s."bill_to", ''), (SELECT a."text" FROM "address" a WHERE a."customer_id" = i."customer_id" AND a."kind" = 'bill-to' ORDER BY a."is_default" DESC, a."id" LIMIT 1), ''),
         'deliverTo', s."deliver_to", 'noteAbove', s."note_above", 'note', s."note", 'purchaseOrder', s."purchase_order",
         'taxExempt', c."tax_exempt", 'exemptNumber', c."exempt_number", 'arrangement', s."arrangement")
  FROM "sale" s, "customer" c
 WHERE i."status" = 'issued' AND s."id" = i."sale_id" AND c."id" = i."customer_id";--> statement-breakpoint
ALTER TABLE "invoice" ENABLE TRIGGER USER;
