CREATE TABLE "consent" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"rung" text,
	"day" date NOT NULL,
	"guardian" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "consent_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "injury" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"what" text NOT NULL,
	"from" date NOT NULL,
	"until" date NOT NULL,
	"by" uuid NOT NULL,
	CONSTRAINT "injury_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "syllabus_followed" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"version_id" uuid NOT NULL,
	"day" date NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "syllabus_followed_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "syllabus_version" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"state" text NOT NULL,
	"title" text NOT NULL,
	"body" jsonb NOT NULL,
	"from" date,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "syllabus_version_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "consent" ADD CONSTRAINT "consent_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "injury" ADD CONSTRAINT "injury_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "syllabus_followed" ADD CONSTRAINT "syllabus_followed_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "syllabus_followed" ADD CONSTRAINT "syllabus_followed_school_id_version_id_syllabus_version_school_id_id_fk" FOREIGN KEY ("school_id","version_id") REFERENCES "public"."syllabus_version"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "syllabus_one_draft" ON "syllabus_version" USING btree ("school_id") WHERE "syllabus_version"."state" = 'draft';--> statement-breakpoint
CREATE UNIQUE INDEX "syllabus_from" ON "syllabus_version" USING btree ("school_id","from") WHERE "syllabus_version"."state" = 'published';