CREATE TABLE "struck" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"student_id" uuid,
	"says" text NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "struck_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE INDEX "struck_of_student" ON "struck" USING btree ("school_id","student_id");