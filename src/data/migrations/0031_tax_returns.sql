CREATE TABLE "tax_return" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "tax_return_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"from_day" date NOT NULL,
	"through" date NOT NULL,
	"basis" text NOT NULL,
	"filed_on" date,
	"rows" jsonb,
	"last_entry_id" integer,
	"paid_on" date,
	"paid" bigint,
	"entry_id" integer,
	CONSTRAINT "tax_return_forwards" CHECK ("tax_return"."from_day" <= "tax_return"."through"),
	CONSTRAINT "tax_return_filed_whole" CHECK (("tax_return"."filed_on" is null) = ("tax_return"."rows" is null)),
	CONSTRAINT "tax_return_paid_when_filed" CHECK ("tax_return"."paid_on" is null or "tax_return"."filed_on" is not null)
);
--> statement-breakpoint
CREATE TABLE "tax_return_entry" (
	"entry_id" integer PRIMARY KEY NOT NULL,
	"return_id" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "tax_return" ADD CONSTRAINT "tax_return_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_return_entry" ADD CONSTRAINT "tax_return_entry_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tax_return_entry" ADD CONSTRAINT "tax_return_entry_return_id_tax_return_id_fk" FOREIGN KEY ("return_id") REFERENCES "public"."tax_return"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "tax_return_entry_return" ON "tax_return_entry" USING btree ("return_id");--> statement-breakpoint
-- What was filed stays as it was filed; only its payment is written down later, once.
create function refuse_filed_change() returns trigger language plpgsql as $$
begin
  if old.filed_on is not null and (tg_op = 'DELETE' or old.paid_on is not null
     or (new.from_day, new.through, new.basis, new.filed_on, new.rows, new.last_entry_id)
        is distinct from (old.from_day, old.through, old.basis, old.filed_on, old.rows, old.last_entry_id)) then
    raise exception 'a filed return does not change' using errcode = 'restrict_violation';
  end if;
  if tg_op = 'DELETE' then return old; end if;
  return new;
end $$;
--> statement-breakpoint
create trigger tax_return_fixed before update or delete on tax_return for each row execute function refuse_filed_change();
--> statement-breakpoint
create trigger tax_return_entry_fixed before update or delete on tax_return_entry for each row execute function refuse_change();
--> statement-breakpoint
-- Two filed returns have no day in common.
alter table tax_return add constraint tax_return_once exclude using gist (daterange(from_day, through, '[]') with &&) where (filed_on is not null);
