ALTER TABLE "api_token" ADD COLUMN "expires_at" timestamp with time zone DEFAULT now() + interval '1 year' NOT NULL;--> statement-breakpoint
ALTER TABLE "api_token" ADD COLUMN "read_only" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "api_token" ADD COLUMN "used_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "seen_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "session" ADD COLUMN "proved_at" timestamp with time zone DEFAULT now() NOT NULL;