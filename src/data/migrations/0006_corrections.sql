CREATE TABLE "closing" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "closing_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"kind" text NOT NULL,
	"through" date,
	"reason" text DEFAULT '' NOT NULL,
	"on_day" date NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "refund_void" (
	"refund_id" integer PRIMARY KEY NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "held_transfer_reversal" (
	"transfer_id" integer PRIMARY KEY NOT NULL,
	"on_day" date NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE "write_off_recovery" (
	"write_off_id" integer PRIMARY KEY NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"reason" text NOT NULL,
	"entry_id" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "handover" ADD COLUMN "returns_id" integer;--> statement-breakpoint
ALTER TABLE "handover" ADD COLUMN "reason" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "tax_move" ADD COLUMN "due_id" integer;--> statement-breakpoint
ALTER TABLE "refund_void" ADD CONSTRAINT "refund_void_refund_id_refund_id_fk" FOREIGN KEY ("refund_id") REFERENCES "public"."refund"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "refund_void" ADD CONSTRAINT "refund_void_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer_reversal" ADD CONSTRAINT "held_transfer_reversal_transfer_id_held_transfer_id_fk" FOREIGN KEY ("transfer_id") REFERENCES "public"."held_transfer"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "held_transfer_reversal" ADD CONSTRAINT "held_transfer_reversal_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "write_off_recovery" ADD CONSTRAINT "write_off_recovery_write_off_id_write_off_id_fk" FOREIGN KEY ("write_off_id") REFERENCES "public"."write_off"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "write_off_recovery" ADD CONSTRAINT "write_off_recovery_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "handover" ADD CONSTRAINT "handover_returns_id_handover_id_fk" FOREIGN KEY ("returns_id") REFERENCES "public"."handover"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_move" ADD CONSTRAINT "tax_move_due_id_due_id_fk" FOREIGN KEY ("due_id") REFERENCES "public"."due"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "handover_returns" ON "handover" USING btree ("returns_id");--> statement-breakpoint
CREATE INDEX "tax_move_due" ON "tax_move" USING btree ("due_id");--> statement-breakpoint
CREATE INDEX "tax_move_entry" ON "tax_move" USING btree ("entry_id");