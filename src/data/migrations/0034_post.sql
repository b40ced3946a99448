CREATE TABLE "post" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"post" jsonb NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "post_school_id_id_pk" PRIMARY KEY("school_id","id")
);
