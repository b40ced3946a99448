CREATE TABLE "candidate" (
	"school_id" uuid NOT NULL,
	"grading_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"put_by" uuid NOT NULL,
	"exception" text,
	"yes" boolean,
	"said_by" uuid,
	"out" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "candidate_school_id_grading_id_student_id_pk" PRIMARY KEY("school_id","grading_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "grading" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"title" text NOT NULL,
	"day" date NOT NULL,
	"hall_id" uuid,
	"rule" jsonb NOT NULL,
	"closed_at" timestamp with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "grading_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "grading_decision" (
	"school_id" uuid NOT NULL,
	"grading_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"result" text NOT NULL,
	"by_rule" text,
	"reason" text,
	"again" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"again_by" date,
	"sentence" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "grading_decision_school_id_grading_id_student_id_pk" PRIMARY KEY("school_id","grading_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "panel_member" (
	"school_id" uuid NOT NULL,
	"grading_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"handed_in_at" timestamp with time zone,
	CONSTRAINT "panel_member_school_id_grading_id_person_id_pk" PRIMARY KEY("school_id","grading_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "sheet_line" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"grading_id" uuid NOT NULL,
	"examiner_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"requirement_id" uuid NOT NULL,
	"marks" jsonb NOT NULL,
	"word" text,
	"note" text DEFAULT '' NOT NULL,
	"reason" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sheet_line_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "candidate" ADD CONSTRAINT "candidate_school_id_grading_id_grading_school_id_id_fk" FOREIGN KEY ("school_id","grading_id") REFERENCES "public"."grading"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "candidate" ADD CONSTRAINT "candidate_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "candidate" ADD CONSTRAINT "candidate_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "grading_decision" ADD CONSTRAINT "grading_decision_candidate" FOREIGN KEY ("school_id","grading_id","student_id") REFERENCES "public"."candidate"("school_id","grading_id","student_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "panel_member" ADD CONSTRAINT "panel_member_school_id_grading_id_grading_school_id_id_fk" FOREIGN KEY ("school_id","grading_id") REFERENCES "public"."grading"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "panel_member" ADD CONSTRAINT "panel_member_school_id_person_id_person_school_id_id_fk" FOREIGN KEY ("school_id","person_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sheet_line" ADD CONSTRAINT "sheet_line_examiner" FOREIGN KEY ("school_id","grading_id","examiner_id") REFERENCES "public"."panel_member"("school_id","grading_id","person_id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sheet_line" ADD CONSTRAINT "sheet_line_candidate" FOREIGN KEY ("school_id","grading_id","student_id") REFERENCES "public"."candidate"("school_id","grading_id","student_id") ON DELETE no action ON UPDATE no action;