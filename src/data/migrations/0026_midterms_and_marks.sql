ALTER TABLE "grading" ADD COLUMN "items" jsonb;--> statement-breakpoint
ALTER TABLE "grading" ADD COLUMN "answer_by" date;--> statement-breakpoint
ALTER TABLE "sheet_line" ADD COLUMN "mark" double precision;