CREATE TABLE "change" (
	"school_id" uuid NOT NULL,
	"of" uuid NOT NULL,
	"times" integer DEFAULT 1 NOT NULL,
	"looks" integer DEFAULT 0 NOT NULL,
	"last_here" date,
	CONSTRAINT "change_school_id_of_pk" PRIMARY KEY("school_id","of")
);
--> statement-breakpoint
CREATE TABLE "standing" (
	"school_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"of" uuid NOT NULL,
	"from_count" smallint NOT NULL,
	"side" text NOT NULL,
	"condition_id" uuid NOT NULL,
	"purpose" text NOT NULL,
	"stage" text NOT NULL,
	"entries" text NOT NULL,
	"grown" smallint DEFAULT 0 NOT NULL,
	CONSTRAINT "standing_pk" PRIMARY KEY("school_id","student_id","of","from_count","side","condition_id","purpose","stage")
);
--> statement-breakpoint
ALTER TABLE "standing" ADD CONSTRAINT "standing_student" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
INSERT INTO "standing" ("school_id", "student_id", "of", "from_count", "side", "condition_id", "purpose", "stage", "entries")
SELECT l."school_id", l."student_id", m."point_id", 0, l."side", l."condition_id", coalesce(l."purpose", ''), coalesce(l."stage", ''),
  string_agg((l."day" - date '1970-01-01')::text || ',' || ((extract(epoch from l."at") * 1000)::bigint)::text || ',' || m."held" || ',' || m."of"
    || coalesce(',' || array_to_string(m."values", ','), ''), ';')
FROM "look" l JOIN "mark" m ON m."school_id" = l."school_id" AND m."look_id" = l."id"
WHERE NOT EXISTS (SELECT 1 FROM "look" r WHERE r."school_id" = l."school_id" AND r."replaces" = l."id")
GROUP BY 1, 2, 3, 4, 5, 6, 7, 8;--> statement-breakpoint
INSERT INTO "standing" ("school_id", "student_id", "of", "from_count", "side", "condition_id", "purpose", "stage", "entries")
SELECT l."school_id", l."student_id", l."sequence_id", l."part_from", l."side", l."condition_id", coalesce(l."purpose", ''), coalesce(l."stage", ''),
  string_agg((l."day" - date '1970-01-01')::text || ',' || ((extract(epoch from l."at") * 1000)::bigint)::text || ',' || l."of_counts" || ',' || l."counts", ';')
FROM "look" l
WHERE l."counts" IS NOT NULL AND l."of_counts" IS NOT NULL AND l."part_from" IS NOT NULL
  AND NOT EXISTS (SELECT 1 FROM "look" r WHERE r."school_id" = l."school_id" AND r."replaces" = l."id")
GROUP BY 1, 2, 3, 4, 5, 6, 7, 8;--> statement-breakpoint
INSERT INTO "change" ("school_id", "of", "looks")
SELECT l."school_id", l."student_id", count(*) FROM "look" l
WHERE NOT EXISTS (SELECT 1 FROM "look" r WHERE r."school_id" = l."school_id" AND r."replaces" = l."id")
GROUP BY 1, 2;
--> statement-breakpoint
INSERT INTO "change" ("school_id", "of", "last_here")
SELECT a."school_id", a."person_id", max(c."day") FROM "attendance" a
JOIN "class_held" c ON c."school_id" = a."school_id" AND c."id" = a."class_id"
GROUP BY 1, 2
ON CONFLICT ("school_id", "of") DO UPDATE SET "last_here" = excluded."last_here";
