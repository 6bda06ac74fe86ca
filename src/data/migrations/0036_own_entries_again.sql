CREATE TABLE "entry_repeat" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "entry_repeat_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"entry_id" integer NOT NULL,
	"turned" boolean DEFAULT false NOT NULL,
	"every" text NOT NULL,
	"first_on" date NOT NULL,
	"next_on" date,
	"done" integer DEFAULT 0 NOT NULL,
	"until_day" date,
	"times" integer,
	"stopped_on" date
);
--> statement-breakpoint
CREATE TABLE "entry_repeat_run" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "entry_repeat_run_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"repeat_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"entry_id" integer NOT NULL,
	CONSTRAINT "entry_repeat_once" UNIQUE("repeat_id","on_day")
);
--> statement-breakpoint
ALTER TABLE "entry_repeat" ADD CONSTRAINT "entry_repeat_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_repeat_run" ADD CONSTRAINT "entry_repeat_run_repeat_id_entry_repeat_id_fk" FOREIGN KEY ("repeat_id") REFERENCES "public"."entry_repeat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_repeat_run" ADD CONSTRAINT "entry_repeat_run_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entry_repeat_next" ON "entry_repeat" USING btree ("next_on");--> statement-breakpoint
CREATE INDEX "entry_repeat_entry" ON "entry_repeat" USING btree ("entry_id");--> statement-breakpoint
CREATE UNIQUE INDEX "entry_own_reversed_once" ON "entry" USING btree ("reverses_id") WHERE "entry"."source_kind" = 'own' and "entry"."reverses_id" is not null;