ALTER TABLE "certificate" DROP CONSTRAINT "certificate_held";--> statement-breakpoint
CREATE INDEX "certificate_held" ON "certificate" USING btree ("school_id","held_id");