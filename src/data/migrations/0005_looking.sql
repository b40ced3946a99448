CREATE TABLE "outcome" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"day" date NOT NULL,
	"passed" boolean NOT NULL,
	"chance" double precision,
	"note" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "outcome_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "focus_given" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"point_id" uuid NOT NULL,
	"side" text NOT NULL,
	"day" date NOT NULL,
	"chosen" boolean NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "focus_given_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "grading_day" (
	"school_id" uuid NOT NULL,
	"day" date NOT NULL,
	"by" uuid NOT NULL,
	CONSTRAINT "grading_day_school_id_day_pk" PRIMARY KEY("school_id","day")
);
--> statement-breakpoint
CREATE TABLE "guardian_of" (
	"school_id" uuid NOT NULL,
	"guardian_id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	CONSTRAINT "guardian_of_school_id_guardian_id_student_id_pk" PRIMARY KEY("school_id","guardian_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "incident" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"day" date NOT NULL,
	"hurt_id" uuid NOT NULL,
	"cause_id" uuid,
	"charge_id" uuid NOT NULL,
	"technique_id" uuid,
	"sequence_id" uuid,
	"doing" text DEFAULT '' NOT NULL,
	"what" text NOT NULL,
	"done" text DEFAULT '' NOT NULL,
	"head" boolean NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "incident_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "pause" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"technique_id" uuid,
	"sequence_id" uuid,
	"habit" text NOT NULL,
	"from" date NOT NULL,
	"until" date,
	"by" uuid NOT NULL,
	CONSTRAINT "pause_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "practice" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"day" date NOT NULL,
	"minutes" smallint NOT NULL,
	"repetitions" integer DEFAULT 0 NOT NULL,
	"strikes" integer DEFAULT 0 NOT NULL,
	"hands" text NOT NULL,
	"joints" text NOT NULL,
	"what" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "practice_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "look" ALTER COLUMN "technique_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "room_width" double precision;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "room_depth" double precision;--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "stature" smallint;--> statement-breakpoint
ALTER TABLE "class_held" ADD COLUMN "taught" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "sequence_id" uuid;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "part_from" smallint;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "part_to" smallint;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "of_counts" smallint;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "counts" text;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "slips" jsonb;--> statement-breakpoint
ALTER TABLE "look" ADD COLUMN "stage" text;--> statement-breakpoint
ALTER TABLE "mark" ADD COLUMN "reps" text;--> statement-breakpoint
ALTER TABLE "mark" ADD COLUMN "told_by" uuid;--> statement-breakpoint
ALTER TABLE "outcome" ADD CONSTRAINT "outcome_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "outcome" ADD CONSTRAINT "outcome_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "focus_given" ADD CONSTRAINT "focus_given_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "focus_given" ADD CONSTRAINT "focus_given_school_id_point_id_point_school_id_id_fk" FOREIGN KEY ("school_id","point_id") REFERENCES "public"."point"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "guardian_of" ADD CONSTRAINT "guardian_of_school_id_guardian_id_person_school_id_id_fk" FOREIGN KEY ("school_id","guardian_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "guardian_of" ADD CONSTRAINT "guardian_of_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incident" ADD CONSTRAINT "incident_school_id_hurt_id_person_school_id_id_fk" FOREIGN KEY ("school_id","hurt_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incident" ADD CONSTRAINT "incident_school_id_cause_id_person_school_id_id_fk" FOREIGN KEY ("school_id","cause_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incident" ADD CONSTRAINT "incident_school_id_charge_id_person_school_id_id_fk" FOREIGN KEY ("school_id","charge_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incident" ADD CONSTRAINT "incident_school_id_technique_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","technique_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "incident" ADD CONSTRAINT "incident_school_id_sequence_id_sequence_school_id_id_fk" FOREIGN KEY ("school_id","sequence_id") REFERENCES "public"."sequence"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pause" ADD CONSTRAINT "pause_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pause" ADD CONSTRAINT "pause_school_id_technique_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","technique_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pause" ADD CONSTRAINT "pause_school_id_sequence_id_sequence_school_id_id_fk" FOREIGN KEY ("school_id","sequence_id") REFERENCES "public"."sequence"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "practice" ADD CONSTRAINT "practice_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "outcome_day" ON "outcome" USING btree ("school_id","day");--> statement-breakpoint
CREATE INDEX "focus_of_student" ON "focus_given" USING btree ("school_id","student_id");--> statement-breakpoint
CREATE INDEX "incident_day" ON "incident" USING btree ("school_id","day");--> statement-breakpoint
CREATE INDEX "pause_of_student" ON "pause" USING btree ("school_id","student_id");--> statement-breakpoint
CREATE INDEX "practice_of_student" ON "practice" USING btree ("school_id","student_id","day");--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_sequence" FOREIGN KEY ("school_id","sequence_id") REFERENCES "public"."sequence"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "look_day" ON "look" USING btree ("school_id","day");--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_one_item" CHECK (("look"."technique_id" is null) <> ("look"."sequence_id" is null));