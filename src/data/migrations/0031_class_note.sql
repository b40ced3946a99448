CREATE TABLE "class_note" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"day" date NOT NULL,
	"block" text NOT NULL,
	"said" text NOT NULL,
	"by" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "class_note_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE INDEX "class_note_class" ON "class_note" USING btree ("school_id","class_id");