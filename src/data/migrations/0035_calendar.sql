CREATE TABLE "calendar_link" (
	"id" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "calendar_link_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"token_hash" text NOT NULL,
	"made_on" date NOT NULL,
	CONSTRAINT "calendar_link_tokenHash_unique" UNIQUE("token_hash")
);
