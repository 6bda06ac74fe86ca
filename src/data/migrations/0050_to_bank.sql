CREATE TABLE "to_bank" (
	"receipt_id" integer PRIMARY KEY NOT NULL,
	"method" text NOT NULL,
	"on_day" date NOT NULL
);
--> statement-breakpoint
ALTER TABLE "to_bank" ADD CONSTRAINT "to_bank_receipt_id_receipt_id_fk" FOREIGN KEY ("receipt_id") REFERENCES "public"."receipt"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "to_bank_order" ON "to_bank" USING btree ("method","on_day","receipt_id");
--> statement-breakpoint
create function receipt_goes_to_bank() returns trigger language plpgsql as $$
begin
  insert into to_bank (receipt_id, method, on_day) select id, method, on_day from added where method in ('cheque', 'card') order by id;
  return null;
end $$;
--> statement-breakpoint
create trigger receipt_goes_to_bank after insert on receipt referencing new table as added
  for each statement execute function receipt_goes_to_bank();
--> statement-breakpoint
-- At the bank, or void: it is to go there no more.
create function receipt_stays_from_bank() returns trigger language plpgsql as $$
begin
  delete from to_bank where receipt_id in (select receipt_id from added);
  return null;
end $$;
--> statement-breakpoint
create trigger banked_is_at_bank after insert on banked referencing new table as added
  for each statement execute function receipt_stays_from_bank();
--> statement-breakpoint
create trigger void_stays_from_bank after insert on receipt_void referencing new table as added
  for each statement execute function receipt_stays_from_bank();
--> statement-breakpoint
-- A slip or a payout was taken back: what stands goes there anew.
create function receipt_goes_to_bank_anew() returns trigger language plpgsql as $$
begin
  insert into to_bank (receipt_id, method, on_day)
  select r.id, r.method, r.on_day from removed b join receipt r on r.id = b.receipt_id
   where not exists (select from receipt_void v where v.receipt_id = r.id) order by r.id;
  return null;
end $$;
--> statement-breakpoint
create trigger banked_goes_anew after delete on banked referencing old table as removed
  for each statement execute function receipt_goes_to_bank_anew();
--> statement-breakpoint
insert into to_bank (receipt_id, method, on_day)
select r.id, r.method, r.on_day from receipt r
 where r.method in ('cheque', 'card') and not exists (select from banked b where b.receipt_id = r.id)
   and not exists (select from receipt_void v where v.receipt_id = r.id);
