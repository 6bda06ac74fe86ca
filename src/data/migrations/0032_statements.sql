CREATE TABLE "bank_account" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bank_account_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"name" text NOT NULL,
	"account_id" integer NOT NULL,
	"number" text DEFAULT '' NOT NULL,
	"format" jsonb,
	CONSTRAINT "bank_account_accountId_unique" UNIQUE("account_id")
);
--> statement-breakpoint
CREATE TABLE "bank_line" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bank_line_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"statement_id" integer NOT NULL,
	"bank_account_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"amount" bigint NOT NULL,
	"text" text NOT NULL,
	"bank_id" text NOT NULL,
	"key" text NOT NULL,
	CONSTRAINT "bank_line_once" UNIQUE("bank_account_id","key"),
	CONSTRAINT "bank_line_not_zero" CHECK ("bank_line"."amount" <> 0)
);
--> statement-breakpoint
CREATE TABLE "bank_match" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bank_match_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"line_id" integer NOT NULL,
	"kind" text NOT NULL,
	"entry_id" integer NOT NULL,
	"amount" bigint NOT NULL,
	"made" text,
	"made_id" integer,
	"account_id" integer,
	"tax_code_id" integer,
	CONSTRAINT "bank_match_positive" CHECK ("bank_match"."amount" > 0)
);
--> statement-breakpoint
CREATE TABLE "bank_rule" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bank_rule_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"contains" text NOT NULL,
	"account_id" integer NOT NULL,
	"tax_code_id" integer,
	"always" boolean DEFAULT false NOT NULL,
	CONSTRAINT "bank_rule_contains_unique" UNIQUE("contains")
);
--> statement-breakpoint
CREATE TABLE "bank_statement" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "bank_statement_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"bank_account_id" integer NOT NULL,
	"name" text DEFAULT '' NOT NULL,
	"format" text NOT NULL,
	"imported_on" date NOT NULL,
	"from_day" date NOT NULL,
	"through" date NOT NULL,
	"opening" bigint,
	"closing" bigint,
	"doubles" integer DEFAULT 0 NOT NULL,
	"done_on" date
);
--> statement-breakpoint
CREATE TABLE "purchase_tax" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "purchase_tax_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"entry_id" integer NOT NULL,
	"on_day" date NOT NULL,
	"tax_code_id" integer NOT NULL,
	"net" bigint NOT NULL,
	"tax" bigint NOT NULL
);
--> statement-breakpoint
ALTER TABLE "receipt" ADD COLUMN "account_id" integer;--> statement-breakpoint
ALTER TABLE "banking_slip" ADD COLUMN "voided_on" date;--> statement-breakpoint
ALTER TABLE "card_settlement" ADD COLUMN "voided_on" date;--> statement-breakpoint
ALTER TABLE "bank_account" ADD CONSTRAINT "bank_account_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_line" ADD CONSTRAINT "bank_line_statement_id_bank_statement_id_fk" FOREIGN KEY ("statement_id") REFERENCES "public"."bank_statement"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_line" ADD CONSTRAINT "bank_line_bank_account_id_bank_account_id_fk" FOREIGN KEY ("bank_account_id") REFERENCES "public"."bank_account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_match" ADD CONSTRAINT "bank_match_line_id_bank_line_id_fk" FOREIGN KEY ("line_id") REFERENCES "public"."bank_line"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_match" ADD CONSTRAINT "bank_match_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_match" ADD CONSTRAINT "bank_match_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_match" ADD CONSTRAINT "bank_match_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_rule" ADD CONSTRAINT "bank_rule_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_rule" ADD CONSTRAINT "bank_rule_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "bank_statement" ADD CONSTRAINT "bank_statement_bank_account_id_bank_account_id_fk" FOREIGN KEY ("bank_account_id") REFERENCES "public"."bank_account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_tax" ADD CONSTRAINT "purchase_tax_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchase_tax" ADD CONSTRAINT "purchase_tax_tax_code_id_tax_code_id_fk" FOREIGN KEY ("tax_code_id") REFERENCES "public"."tax_code"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bank_line_statement" ON "bank_line" USING btree ("statement_id");--> statement-breakpoint
CREATE INDEX "bank_match_line" ON "bank_match" USING btree ("line_id");--> statement-breakpoint
CREATE INDEX "bank_match_entry" ON "bank_match" USING btree ("entry_id");--> statement-breakpoint
CREATE INDEX "bank_statement_account" ON "bank_statement" USING btree ("bank_account_id","through");--> statement-breakpoint
CREATE INDEX "purchase_tax_day" ON "purchase_tax" USING btree ("on_day");--> statement-breakpoint
CREATE INDEX "purchase_tax_entry" ON "purchase_tax" USING btree ("entry_id");--> statement-breakpoint
ALTER TABLE "receipt" ADD CONSTRAINT "receipt_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
create trigger bank_line_fixed before update or delete on bank_line for each row execute function refuse_change();
--> statement-breakpoint
create trigger purchase_tax_fixed before update or delete on purchase_tax for each row execute function refuse_change();
--> statement-breakpoint
-- A statement that is done is fixed: no match of its lines comes or goes.
create function refuse_done_statement() returns trigger language plpgsql as $$
begin
  if exists (select from bank_line l join bank_statement s on s.id = l.statement_id
              where l.id = coalesce(new.line_id, old.line_id) and s.done_on is not null) then
    raise exception 'a statement that is done does not change' using errcode = 'check_violation', constraint = 'statement_is_done';
  end if;
  return coalesce(new, old);
end $$;
--> statement-breakpoint
create trigger bank_match_open before insert or delete on bank_match for each row execute function refuse_done_statement();
--> statement-breakpoint
create trigger bank_match_fixed before update on bank_match for each row execute function refuse_change();
--> statement-breakpoint
-- A slip or a payout is taken back, once, and changes in nothing else; what was on it may go to the bank anew.
create function only_voided() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' or old.voided_on is not null or to_jsonb(new) - 'voided_on' <> to_jsonb(old) - 'voided_on' then
    raise exception 'posted rows do not change: %', tg_table_name using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
--> statement-breakpoint
drop trigger banking_slip_fixed on banking_slip;
--> statement-breakpoint
create trigger banking_slip_fixed before update or delete on banking_slip for each row execute function only_voided();
--> statement-breakpoint
drop trigger card_settlement_fixed on card_settlement;
--> statement-breakpoint
create trigger card_settlement_fixed before update or delete on card_settlement for each row execute function only_voided();
--> statement-breakpoint
create function banked_while_it_stands() returns trigger language plpgsql as $$
begin
  if tg_op = 'UPDATE' or not exists (select from banking_slip where id = old.slip_id and voided_on is not null
       union all select from card_settlement where id = old.settlement_id and voided_on is not null) then
    raise exception 'posted rows do not change: banked' using errcode = 'restrict_violation';
  end if;
  return old;
end $$;
--> statement-breakpoint
drop trigger banked_fixed on banked;
--> statement-breakpoint
create trigger banked_fixed before update or delete on banked for each row execute function banked_while_it_stands();
