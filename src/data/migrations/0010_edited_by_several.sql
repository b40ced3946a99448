DROP INDEX "look_replaced";--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "changed_by" uuid;--> statement-breakpoint
ALTER TABLE "technique" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "hall" ADD COLUMN "changed_by" uuid;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "condition" ADD COLUMN "changed_by" uuid;--> statement-breakpoint
ALTER TABLE "rank" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "rank" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "rank" ADD COLUMN "changed_by" uuid;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_told_by" FOREIGN KEY ("school_id","told_by") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action NOT VALID;--> statement-breakpoint
-- Names that stand twice (before this nothing but the app saw to it): the later one gets a mark of its own.
UPDATE "technique" x SET "name" = x."name" || ' (' || left(x."id"::text, 8) || ')'
	WHERE EXISTS (SELECT 1 FROM "technique" y WHERE y."school_id" = x."school_id" AND lower(y."name") = lower(x."name") AND y."id" < x."id");--> statement-breakpoint
UPDATE "hall" x SET "name" = x."name" || ' (' || left(x."id"::text, 8) || ')'
	WHERE EXISTS (SELECT 1 FROM "hall" y WHERE y."school_id" = x."school_id" AND lower(y."name") = lower(x."name") AND y."id" < x."id");--> statement-breakpoint
UPDATE "condition" x SET "name" = x."name" || ' (' || left(x."id"::text, 8) || ')'
	WHERE EXISTS (SELECT 1 FROM "condition" y WHERE y."school_id" = x."school_id" AND lower(y."name") = lower(x."name") AND y."id" < x."id");--> statement-breakpoint
UPDATE "rank" x SET "name" = x."name" || ' (' || left(x."id"::text, 8) || ')'
	WHERE EXISTS (SELECT 1 FROM "rank" y WHERE y."school_id" = x."school_id" AND lower(y."name") = lower(x."name") AND y."id" < x."id");--> statement-breakpoint
CREATE UNIQUE INDEX "technique_name" ON "technique" USING btree ("school_id",lower("name"));--> statement-breakpoint
CREATE UNIQUE INDEX "hall_name" ON "hall" USING btree ("school_id",lower("name"));--> statement-breakpoint
CREATE UNIQUE INDEX "condition_name" ON "condition" USING btree ("school_id",lower("name"));--> statement-breakpoint
CREATE UNIQUE INDEX "rank_name" ON "rank" USING btree ("school_id",lower("name"));--> statement-breakpoint
-- Two tablets that corrected the same look: the later correction is read as one of the earlier, so that the newest stands.
DO $$
DECLARE twice record;
BEGIN
	LOOP
		SELECT a."school_id", a."id" AS first, b."id" AS second INTO twice
			FROM "look" a JOIN "look" b ON b."school_id" = a."school_id" AND b."replaces" = a."replaces"
				AND (b."at", b."id") > (a."at", a."id")
			LIMIT 1;
		EXIT WHEN NOT FOUND;
		UPDATE "look" SET "replaces" = twice.first WHERE "school_id" = twice."school_id" AND "id" = twice.second;
	END LOOP;
END $$;--> statement-breakpoint
CREATE UNIQUE INDEX "look_replaced_once" ON "look" USING btree ("school_id","replaces") WHERE "look"."replaces" is not null;--> statement-breakpoint
DELETE FROM "auth"."user" u WHERE NOT EXISTS (SELECT 1 FROM "person" p WHERE p."school_id" = u."school_id" AND p."user_id" = u."id")
	AND EXISTS (SELECT 1 FROM "auth"."user" o WHERE o."school_id" = u."school_id" AND o."person_id" = u."person_id" AND o."id" <> u."id");--> statement-breakpoint
CREATE UNIQUE INDEX "user_person" ON "auth"."user" USING btree ("school_id","person_id");--> statement-breakpoint
-- Two heads that take each other's rights at once must not leave a school without one: the second waits for the first.
CREATE FUNCTION school_keeps_a_head() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
	IF OLD."role" <> 'head' OR OLD."left_on" IS NOT NULL OR OLD."user_id" IS NULL THEN RETURN NEW; END IF;
	IF NEW."role" = 'head' AND NEW."left_on" IS NULL AND NEW."user_id" IS NOT NULL THEN RETURN NEW; END IF;
	PERFORM 1 FROM "school" WHERE "id" = OLD."school_id" FOR NO KEY UPDATE;
	IF NOT EXISTS (SELECT 1 FROM "person" p WHERE p."school_id" = OLD."school_id" AND p."id" <> OLD."id"
			AND p."role" = 'head' AND p."left_on" IS NULL AND p."user_id" IS NOT NULL) THEN
		RAISE EXCEPTION 'the last head stays' USING ERRCODE = '23514', CONSTRAINT = 'school_keeps_a_head';
	END IF;
	RETURN NEW;
END $$;--> statement-breakpoint
CREATE TRIGGER person_last_head BEFORE UPDATE ON "person" FOR EACH ROW EXECUTE FUNCTION school_keeps_a_head();
