DROP INDEX "batch_serial_once";--> statement-breakpoint
DROP INDEX "batch_goods";--> statement-breakpoint
CREATE UNIQUE INDEX "batch_serial_once" ON "batch" USING btree ("goods_id",lower("serial"));--> statement-breakpoint
CREATE INDEX "batch_goods" ON "batch" USING btree ("goods_id",lower("lot"));