CREATE TABLE "backup_run" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "backup_run_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"on_day" date NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ok" boolean NOT NULL,
	"name" text NOT NULL,
	"bytes" bigint DEFAULT 0 NOT NULL,
	"rows" integer DEFAULT 0 NOT NULL,
	"problem" text DEFAULT '' NOT NULL
);
