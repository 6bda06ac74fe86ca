CREATE TABLE "second_proof" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"secret" text NOT NULL,
	"since" timestamp with time zone,
	"last_step" integer DEFAULT 0 NOT NULL,
	"spare_hashes" text[] DEFAULT '{}' NOT NULL,
	"misses" integer DEFAULT 0 NOT NULL,
	"waits_until" timestamp with time zone,
	CONSTRAINT "second_proof_is_one" CHECK ("second_proof"."id" = 1)
);
