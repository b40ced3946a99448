ALTER TABLE "condition" ADD COLUMN "partner" boolean;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "gear" text;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "home" boolean;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "attacker" text;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "defender" text;--> statement-breakpoint
-- What was read from the name up to now is written down once; from here on the name is the school's own.
UPDATE "condition" SET
	"partner" = "name" ~* '\y(partner|attacker|free|receiver)\y',
	"gear" = CASE
		WHEN "name" ~* '\y(holder|pads?|shield)\y' THEN 'pads'
		WHEN "name" ~* '\y(target|bag)\y' THEN 'target'
		WHEN "name" ~* '\ypost\y' THEN 'striking post'
	END;--> statement-breakpoint
UPDATE "condition" SET
	"home" = NOT "partner" AND "gear" IS NULL,
	"attacker" = CASE WHEN NOT "partner" THEN NULL WHEN "name" ~* '\y(both|attacker)\y[^,;]*\yfree\y' THEN 'free' ELSE 'set' END,
	"defender" = CASE WHEN NOT "partner" THEN NULL WHEN "name" ~* '\y(both|defender)\y[^,;]*\yfree\y' THEN 'free' ELSE 'set' END;--> statement-breakpoint
ALTER TABLE "condition" ALTER COLUMN "partner" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "condition" ALTER COLUMN "home" SET NOT NULL;
