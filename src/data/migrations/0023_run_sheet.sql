CREATE TABLE "run_sheet" (
	"school_id" uuid NOT NULL,
	"grading_id" uuid NOT NULL,
	"day" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "run_sheet_school_id_grading_id_pk" PRIMARY KEY("school_id","grading_id")
);
--> statement-breakpoint
ALTER TABLE "run_sheet" ADD CONSTRAINT "run_sheet_school_id_grading_id_grading_school_id_id_fk" FOREIGN KEY ("school_id","grading_id") REFERENCES "public"."grading"("school_id","id") ON DELETE no action ON UPDATE no action;