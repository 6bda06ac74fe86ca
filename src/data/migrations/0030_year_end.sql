CREATE TABLE "year_end" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "year_end_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"year" integer NOT NULL,
	"entry_id" integer NOT NULL,
	"closed_before" date,
	"undone_entry_id" integer
);
--> statement-breakpoint
ALTER TABLE "account" ADD COLUMN "hidden" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "year_end" ADD CONSTRAINT "year_end_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "year_end" ADD CONSTRAINT "year_end_undone_entry_id_entry_id_fk" FOREIGN KEY ("undone_entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "year_end_once" ON "year_end" USING btree ("year") WHERE "year_end"."undone_entry_id" is null;--> statement-breakpoint
-- A year is closed on its last day, in a period that may be closed already; nothing else is.
drop trigger entry_in_open_period on entry;
--> statement-breakpoint
create trigger entry_in_open_period before insert on entry for each row
  when (new.source_kind <> 'year-end') execute function refuse_closed_period();
