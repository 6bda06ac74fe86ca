CREATE TABLE "bill_repeat" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bill_repeat_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"bill_id" integer NOT NULL,
	"every" text NOT NULL,
	"first_on" date NOT NULL,
	"next_on" date,
	"done" integer DEFAULT 0 NOT NULL,
	"until_day" date,
	"times" integer,
	"stopped_on" date
);
--> statement-breakpoint
CREATE TABLE "bill_repeat_run" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bill_repeat_run_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"repeat_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"bill_id" integer NOT NULL,
	CONSTRAINT "bill_repeat_once" UNIQUE("repeat_id","on_day")
);
--> statement-breakpoint
ALTER TABLE "bill_repeat" ADD CONSTRAINT "bill_repeat_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_repeat_run" ADD CONSTRAINT "bill_repeat_run_repeat_id_bill_repeat_id_fk" FOREIGN KEY ("repeat_id") REFERENCES "public"."bill_repeat"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bill_repeat_run" ADD CONSTRAINT "bill_repeat_run_bill_id_bill_id_fk" FOREIGN KEY ("bill_id") REFERENCES "public"."bill"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bill_repeat_next" ON "bill_repeat" USING btree ("next_on");--> statement-breakpoint
CREATE INDEX "bill_repeat_bill" ON "bill_repeat" USING btree ("bill_id");
--> statement-breakpoint
create trigger bill_repeat_run_fixed before update or delete on bill_repeat_run for each row execute function refuse_change();
