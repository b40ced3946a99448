CREATE TABLE "picture_word" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"agreed" boolean NOT NULL,
	"day" date NOT NULL,
	"guardian" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "picture_word_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "picture_word" ADD CONSTRAINT "picture_word_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "picture_word_of_student" ON "picture_word" USING btree ("school_id","student_id");