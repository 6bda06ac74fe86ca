CREATE TABLE "budget" (
	"year" integer NOT NULL,
	"account_id" integer NOT NULL,
	"amount" bigint NOT NULL,
	CONSTRAINT "budget_year_account_id_pk" PRIMARY KEY("year","account_id"),
	CONSTRAINT "budget_not_below_zero" CHECK ("budget"."amount" >= 0)
);
--> statement-breakpoint
ALTER TABLE "budget" ADD CONSTRAINT "budget_account_id_account_id_fk" FOREIGN KEY ("account_id") REFERENCES "public"."account"("id") ON DELETE no action ON UPDATE no action;