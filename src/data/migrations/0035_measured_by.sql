ALTER TABLE "point" ADD COLUMN "measured_by" text;--> statement-breakpoint
ALTER TABLE "mark" ADD COLUMN "halves" double precision[];