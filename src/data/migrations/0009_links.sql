ALTER TABLE "business" ADD COLUMN "links_open_all" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "customer_link" ADD COLUMN "opens_all" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "customer_link" ADD COLUMN "expires_on" date DEFAULT current_date + 180 NOT NULL;--> statement-breakpoint
ALTER TABLE "card_payment" ADD COLUMN "asked_at" timestamp with time zone DEFAULT now() NOT NULL;