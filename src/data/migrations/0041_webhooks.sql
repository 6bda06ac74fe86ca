CREATE TABLE "webhook" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "webhook_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"url" text NOT NULL,
	"secret" text NOT NULL,
	"events" text[] NOT NULL,
	"made_on" date NOT NULL,
	"ended_on" date
);
--> statement-breakpoint
CREATE TABLE "webhook_delivery" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "webhook_delivery_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"webhook_id" integer NOT NULL,
	"event" text NOT NULL,
	"subject_id" integer NOT NULL,
	"happened_at" timestamp with time zone DEFAULT now() NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"next_try_at" timestamp with time zone DEFAULT now() NOT NULL,
	"answered" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "webhook_delivery" ADD CONSTRAINT "webhook_delivery_webhook_id_webhook_id_fk" FOREIGN KEY ("webhook_id") REFERENCES "public"."webhook"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "webhook_delivery_waiting" ON "webhook_delivery" USING btree ("next_try_at") WHERE "webhook_delivery"."state" = 'waiting';--> statement-breakpoint
CREATE INDEX "webhook_delivery_of" ON "webhook_delivery" USING btree ("webhook_id","id");
--> statement-breakpoint
-- What happened is written for each webhook that wants it in the transaction in which it happened: never without it, and never missed.
create function tell_webhooks() returns trigger language plpgsql as $$
begin
  insert into webhook_delivery (webhook_id, event, subject_id)
  select w.id, tg_argv[0], new.id from webhook w where w.ended_on is null and tg_argv[0] = any(w.events);
  return null;
end $$;
--> statement-breakpoint
create trigger receipt_is_told after insert on receipt for each row execute function tell_webhooks('paid');
--> statement-breakpoint
create trigger new_sale_is_told after insert on sale for each row when (new.agreed_on is not null) execute function tell_webhooks('ordered');
--> statement-breakpoint
create trigger sale_is_told after update of agreed_on on sale for each row
  when (old.agreed_on is null and new.agreed_on is not null) execute function tell_webhooks('ordered');
--> statement-breakpoint
create trigger handover_is_told after insert on handover for each row when (new.direction = 'out') execute function tell_webhooks('handed-over');
