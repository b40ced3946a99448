ALTER TABLE "school" ADD COLUMN "usual_minutes" smallint DEFAULT 90 NOT NULL;--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "of_age" smallint DEFAULT 18 NOT NULL;--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "languages" text[] DEFAULT '{}' NOT NULL;