ALTER TABLE "sequence" ADD COLUMN "counts" integer;--> statement-breakpoint
UPDATE "sequence" SET "counts" = jsonb_array_length("body"->'moves');--> statement-breakpoint
ALTER TABLE "sequence" ALTER COLUMN "counts" SET NOT NULL;
