CREATE TABLE "guest" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"day" date NOT NULL,
	"name" text NOT NULL,
	"minor" boolean NOT NULL,
	"phone" text DEFAULT '' NOT NULL,
	"by" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "guest_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE INDEX "guest_day" ON "guest" USING btree ("school_id","day");