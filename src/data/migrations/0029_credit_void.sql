DROP INDEX "credit_their_number_once";--> statement-breakpoint
ALTER TABLE "supplier_credit" ADD COLUMN "voided_on" date;--> statement-breakpoint
ALTER TABLE "supplier_credit" ADD COLUMN "void_reason" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "supplier_credit_line" ADD COLUMN "received_line_id" integer;--> statement-breakpoint
ALTER TABLE "supplier_credit_line" ADD CONSTRAINT "supplier_credit_line_received_line_id_goods_received_line_id_fk" FOREIGN KEY ("received_line_id") REFERENCES "public"."goods_received_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "credit_their_number_once" ON "supplier_credit" USING btree ("bill_id",lower("their_number")) WHERE "supplier_credit"."their_number" <> '' and "supplier_credit"."voided_on" is null;
--> statement-breakpoint
drop trigger supplier_credit_fixed on supplier_credit;
--> statement-breakpoint
create function credit_keeps_its_amount() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or (new.id, new.bill_id, new.their_number, new.on_day, new.net, new.tax, new.gross, new.entry_id)
      is distinct from (old.id, old.bill_id, old.their_number, old.on_day, old.net, old.tax, old.gross, old.entry_id) then
    raise exception 'a credit does not change' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
create trigger supplier_credit_fixed before update or delete on supplier_credit for each row execute function credit_keeps_its_amount();
