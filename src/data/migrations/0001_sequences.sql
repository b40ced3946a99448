CREATE TABLE "hall" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"width" double precision NOT NULL,
	"depth" double precision NOT NULL,
	CONSTRAINT "hall_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "sequence" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"title" text NOT NULL,
	"kind" text NOT NULL,
	"text" text NOT NULL,
	"body" jsonb NOT NULL,
	"problems" integer DEFAULT 0 NOT NULL,
	"parent_id" uuid,
	"recipe" jsonb,
	"departures" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"unfit" integer DEFAULT 0 NOT NULL,
	"trouble" text,
	"version" integer DEFAULT 1 NOT NULL,
	"retired" boolean DEFAULT false NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "sequence_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "waiver" (
	"school_id" uuid NOT NULL,
	"sequence_id" uuid NOT NULL,
	"key" text NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"day" date NOT NULL,
	CONSTRAINT "waiver_school_id_sequence_id_key_pk" PRIMARY KEY("school_id","sequence_id","key")
);
--> statement-breakpoint
ALTER TABLE "technique" ADD COLUMN "detail" jsonb DEFAULT '{"zone":null,"surface":"","target":"","sideRule":"","terms":[],"variants":[],"prerequisites":[],"selfChecks":[],"ceiling":null,"counts":[],"joined":[],"geometry":null,"formerly":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "sequence" ADD CONSTRAINT "sequence_parent_fk" FOREIGN KEY ("school_id","parent_id") REFERENCES "public"."sequence"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waiver" ADD CONSTRAINT "waiver_school_id_sequence_id_sequence_school_id_id_fk" FOREIGN KEY ("school_id","sequence_id") REFERENCES "public"."sequence"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "sequence_title" ON "sequence" USING btree ("school_id",lower("title"));