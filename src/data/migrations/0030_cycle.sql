CREATE TABLE "cycle" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"from" date NOT NULL,
	"day" date NOT NULL,
	"cycle" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "cycle_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "auth"."calendar_address" (
	"hash" text PRIMARY KEY NOT NULL,
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"by" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE INDEX "cycle_day" ON "cycle" USING btree ("school_id","day");