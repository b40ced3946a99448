CREATE TABLE "class_plan" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"day" date NOT NULL,
	"hall_id" uuid,
	"plan" jsonb NOT NULL,
	"run" jsonb,
	"closed_at" timestamp with time zone,
	"note" text DEFAULT '' NOT NULL,
	"version" integer DEFAULT 1 NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "class_plan_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "paired" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"block_id" uuid NOT NULL,
	"round" smallint NOT NULL,
	"day" date NOT NULL,
	"a" uuid NOT NULL,
	"b" uuid NOT NULL,
	"c" uuid,
	"rung" smallint NOT NULL,
	"first" uuid NOT NULL,
	"by" uuid,
	CONSTRAINT "paired_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "partners" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"a" uuid NOT NULL,
	"b" uuid NOT NULL,
	"kind" text NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "partners_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
ALTER TABLE "person" ADD COLUMN "mass" smallint;--> statement-breakpoint
ALTER TABLE "attendance" ADD COLUMN "came" smallint;--> statement-breakpoint
ALTER TABLE "attendance" ADD COLUMN "went" smallint;--> statement-breakpoint
ALTER TABLE "attendance" ADD COLUMN "minutes" smallint;--> statement-breakpoint
ALTER TABLE "class_plan" ADD CONSTRAINT "class_plan_school_id_hall_id_hall_school_id_id_fk" FOREIGN KEY ("school_id","hall_id") REFERENCES "public"."hall"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paired" ADD CONSTRAINT "paired_school_id_a_person_school_id_id_fk" FOREIGN KEY ("school_id","a") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paired" ADD CONSTRAINT "paired_school_id_b_person_school_id_id_fk" FOREIGN KEY ("school_id","b") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "paired" ADD CONSTRAINT "paired_school_id_c_person_school_id_id_fk" FOREIGN KEY ("school_id","c") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "partners" ADD CONSTRAINT "partners_school_id_a_person_school_id_id_fk" FOREIGN KEY ("school_id","a") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "partners" ADD CONSTRAINT "partners_school_id_b_person_school_id_id_fk" FOREIGN KEY ("school_id","b") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "class_plan_day" ON "class_plan" USING btree ("school_id","day");--> statement-breakpoint
CREATE INDEX "paired_day" ON "paired" USING btree ("school_id","day");--> statement-breakpoint
CREATE INDEX "paired_round" ON "paired" USING btree ("school_id","class_id","block_id","round");