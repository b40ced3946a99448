CREATE TABLE "load_done" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"day" date NOT NULL,
	"place" text NOT NULL,
	"blow" text NOT NULL,
	"side" text NOT NULL,
	"surface" text DEFAULT '' NOT NULL,
	"count" smallint NOT NULL,
	"skin" text,
	"swelling" text,
	"joints" text,
	"feeling" text,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "load_done_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "load_word" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"day" date NOT NULL,
	"what" text NOT NULL,
	"ladder" text,
	"side" text,
	"guardian" text DEFAULT '' NOT NULL,
	"reason" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "load_word_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "load_rule" jsonb;--> statement-breakpoint
ALTER TABLE "load_done" ADD CONSTRAINT "load_done_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "load_word" ADD CONSTRAINT "load_word_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "load_done_of_student" ON "load_done" USING btree ("school_id","student_id","day");--> statement-breakpoint
CREATE INDEX "load_word_of_student" ON "load_word" USING btree ("school_id","student_id");