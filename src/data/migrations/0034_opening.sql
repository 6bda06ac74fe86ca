ALTER TABLE "bill" ADD COLUMN "paper_on" date;--> statement-breakpoint
ALTER TABLE "due" ADD COLUMN "paper_on" date;