CREATE SCHEMA "auth";
--> statement-breakpoint
CREATE TABLE "person" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"born" date,
	"user_id" text,
	"left_on" date,
	CONSTRAINT "person_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "rank_held" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"since" date NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"by" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "rank_held_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "school" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "point" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"technique_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"how" text DEFAULT '' NOT NULL,
	"why" text DEFAULT '' NOT NULL,
	"kind" text NOT NULL,
	"body_part" text NOT NULL,
	"critical" boolean DEFAULT false NOT NULL,
	"unit" text,
	"accepted_lo" double precision,
	"accepted_hi" double precision,
	"wanted_lo" double precision,
	"wanted_hi" double precision,
	"retired" boolean DEFAULT false NOT NULL,
	CONSTRAINT "point_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "slip" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"point_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"looks_like" text NOT NULL,
	"cause" text DEFAULT '' NOT NULL,
	"cue" text DEFAULT '' NOT NULL,
	"hurts" text DEFAULT 'nobody' NOT NULL,
	"hurts_how" text DEFAULT '' NOT NULL,
	CONSTRAINT "slip_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "technique" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"summary" text DEFAULT '' NOT NULL,
	"sided" boolean NOT NULL,
	"stance_id" uuid,
	"step_id" uuid,
	"retired" boolean DEFAULT false NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" uuid,
	CONSTRAINT "technique_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "condition" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "condition_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "condition_step" (
	"school_id" uuid NOT NULL,
	"easier_id" uuid NOT NULL,
	"harder_id" uuid NOT NULL,
	CONSTRAINT "condition_step_school_id_easier_id_harder_id_pk" PRIMARY KEY("school_id","easier_id","harder_id")
);
--> statement-breakpoint
CREATE TABLE "gate" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"amount" double precision NOT NULL,
	CONSTRAINT "gate_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "rank" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"cloth" jsonb NOT NULL,
	CONSTRAINT "rank_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "requirement" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"technique_id" uuid NOT NULL,
	"condition_id" uuid NOT NULL,
	"purpose" text,
	"standard" jsonb NOT NULL,
	CONSTRAINT "requirement_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "adaptation" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"point_id" uuid NOT NULL,
	"from" date NOT NULL,
	"range_lo" double precision,
	"range_hi" double precision,
	"share" double precision,
	"waived" boolean DEFAULT false NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "adaptation_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "attendance" (
	"school_id" uuid NOT NULL,
	"class_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	CONSTRAINT "attendance_school_id_person_id_class_id_pk" PRIMARY KEY("school_id","person_id","class_id")
);
--> statement-breakpoint
CREATE TABLE "class_held" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"day" date NOT NULL,
	"minutes" smallint NOT NULL,
	"by" uuid,
	CONSTRAINT "class_held_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "look" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"technique_id" uuid NOT NULL,
	"condition_id" uuid NOT NULL,
	"day" date NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"side" text NOT NULL,
	"purpose" text,
	"replaces" uuid,
	"by" uuid NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	CONSTRAINT "look_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "mark" (
	"school_id" uuid NOT NULL,
	"look_id" uuid NOT NULL,
	"point_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"held" smallint NOT NULL,
	"of" smallint NOT NULL,
	"values" double precision[],
	CONSTRAINT "mark_school_id_look_id_point_id_pk" PRIMARY KEY("school_id","look_id","point_id")
);
--> statement-breakpoint
CREATE TABLE "override" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"student_id" uuid NOT NULL,
	"requirement_id" uuid NOT NULL,
	"word" text,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"day" date NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "override_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "history" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"command" text NOT NULL,
	"by" uuid NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"done_at" timestamp with time zone DEFAULT now() NOT NULL,
	"input" jsonb NOT NULL,
	"answer" jsonb NOT NULL,
	CONSTRAINT "history_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "auth"."account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "auth"."rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "auth"."session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "auth"."user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"school_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "auth"."verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "person" ADD CONSTRAINT "person_school_id_school_id_fk" FOREIGN KEY ("school_id") REFERENCES "public"."school"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rank_held" ADD CONSTRAINT "rank_held_school_id_person_id_person_school_id_id_fk" FOREIGN KEY ("school_id","person_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rank_held" ADD CONSTRAINT "rank_held_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "point" ADD CONSTRAINT "point_school_id_technique_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","technique_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slip" ADD CONSTRAINT "slip_school_id_point_id_point_school_id_id_fk" FOREIGN KEY ("school_id","point_id") REFERENCES "public"."point"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "technique" ADD CONSTRAINT "technique_school_id_stance_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","stance_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "technique" ADD CONSTRAINT "technique_school_id_step_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","step_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "condition_step" ADD CONSTRAINT "condition_step_school_id_easier_id_condition_school_id_id_fk" FOREIGN KEY ("school_id","easier_id") REFERENCES "public"."condition"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "condition_step" ADD CONSTRAINT "condition_step_school_id_harder_id_condition_school_id_id_fk" FOREIGN KEY ("school_id","harder_id") REFERENCES "public"."condition"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "gate" ADD CONSTRAINT "gate_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "requirement" ADD CONSTRAINT "requirement_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "requirement" ADD CONSTRAINT "requirement_school_id_technique_id_technique_school_id_id_fk" FOREIGN KEY ("school_id","technique_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "requirement" ADD CONSTRAINT "requirement_school_id_condition_id_condition_school_id_id_fk" FOREIGN KEY ("school_id","condition_id") REFERENCES "public"."condition"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "adaptation" ADD CONSTRAINT "adaptation_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "adaptation" ADD CONSTRAINT "adaptation_school_id_point_id_point_school_id_id_fk" FOREIGN KEY ("school_id","point_id") REFERENCES "public"."point"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attendance" ADD CONSTRAINT "attendance_school_id_class_id_class_held_school_id_id_fk" FOREIGN KEY ("school_id","class_id") REFERENCES "public"."class_held"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attendance" ADD CONSTRAINT "attendance_school_id_person_id_person_school_id_id_fk" FOREIGN KEY ("school_id","person_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_student" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_technique" FOREIGN KEY ("school_id","technique_id") REFERENCES "public"."technique"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_condition" FOREIGN KEY ("school_id","condition_id") REFERENCES "public"."condition"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "look" ADD CONSTRAINT "look_replaces" FOREIGN KEY ("school_id","replaces") REFERENCES "public"."look"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_school_id_look_id_look_school_id_id_fk" FOREIGN KEY ("school_id","look_id") REFERENCES "public"."look"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mark" ADD CONSTRAINT "mark_point" FOREIGN KEY ("school_id","point_id") REFERENCES "public"."point"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "override" ADD CONSTRAINT "override_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "override" ADD CONSTRAINT "override_school_id_requirement_id_requirement_school_id_id_fk" FOREIGN KEY ("school_id","requirement_id") REFERENCES "public"."requirement"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "auth"."session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "auth"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "person_user" ON "person" USING btree ("school_id","user_id");--> statement-breakpoint
CREATE INDEX "rank_held_person" ON "rank_held" USING btree ("school_id","person_id");--> statement-breakpoint
CREATE INDEX "point_technique" ON "point" USING btree ("school_id","technique_id");--> statement-breakpoint
CREATE INDEX "slip_point" ON "slip" USING btree ("school_id","point_id");--> statement-breakpoint
CREATE INDEX "class_held_day" ON "class_held" USING btree ("school_id","day");--> statement-breakpoint
CREATE INDEX "look_of_student" ON "look" USING btree ("school_id","student_id","day");--> statement-breakpoint
CREATE INDEX "look_replaced" ON "look" USING btree ("school_id","replaces");--> statement-breakpoint
CREATE INDEX "account_user" ON "auth"."account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "auth"."session" USING btree ("user_id");