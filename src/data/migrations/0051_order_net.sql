ALTER TABLE "purchase_order_line" ADD COLUMN "net" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX "goods_reorder" ON "goods" USING btree ("id") WHERE "goods"."reorder_at" is not null and not "goods"."retired";
--> statement-breakpoint
-- Minor digits as ISO 4217 has them: most currencies have two.
update purchase_order_line set net = round(quantity * unit_cost * (
  select case when currency in ('BIF', 'CLP', 'DJF', 'GNF', 'ISK', 'JPY', 'KMF', 'KRW', 'PYG', 'RWF', 'UGX', 'VND', 'VUV', 'XAF', 'XOF', 'XPF') then 1
              when currency in ('BHD', 'IQD', 'JOD', 'KWD', 'LYD', 'OMR', 'TND') then 1000 else 100 end from business));
