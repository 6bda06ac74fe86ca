-- What is issued never changes: but for once, to keep what it says from here on.
ALTER TABLE "invoice" DISABLE TRIGGER USER;--> statement-breakpoint
UPDATE "invoice" i
   SET "says" = i."says" || jsonb_build_object(
         'seller', jsonb_build_object('name', b."name", 'address', b."address", 'taxNumber', b."tax_number"),
         'conditions', b."conditions",
         'rolledUp', s."rolled_up",
         'rows', coalesce((
           SELECT jsonb_agg(
                    jsonb_build_object(
                      'id', l."id", 'kind', l."kind", 'code', g."code",
                      'description', CASE WHEN l."kind" IN ('heading', 'text') THEN l."description" ELSE '' END,
                      'note', CASE WHEN l."kind" IN ('heading', 'text') THEN l."note" ELSE '' END)
                    ORDER BY l."position", l."id")
             FROM "sale_line" l LEFT JOIN "goods" g ON g."id" = l."goods_id"
            WHERE l."sale_id" = i."sale_id"
              AND (l."kind" IN ('heading', 'text')
                   OR EXISTS (SELECT FROM "invoice_line" il WHERE il."invoice_id" = i."id" AND il."sale_line_id" = l."id"))), '[]'),
         'taxNames', coalesce((
           SELECT jsonb_agg(jsonb_build_object(
                    'id', c."id", 'name', c."name", 'reason', c."reason",
                    'components', coalesce((
                      SELECT jsonb_agg(jsonb_build_object('id', k."id", 'name', k."name") ORDER BY k."id")
                        FROM "tax_component" k WHERE k."tax_code_id" = c."id"), '[]')) ORDER BY c."id")
             FROM "tax_code" c
            WHERE EXISTS (SELECT FROM "invoice_tax" t WHERE t."invoice_id" = i."id" AND t."tax_code_id" = c."id")), '[]'))
  FROM "sale" s, "business" b
 WHERE i."status" = 'issued' AND s."id" = i."sale_id";--> statement-breakpoint
ALTER TABLE "invoice" ENABLE TRIGGER USER;
