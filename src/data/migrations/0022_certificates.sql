CREATE TABLE "certificate" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"held_id" uuid NOT NULL,
	"grading_id" uuid,
	"student_id" uuid NOT NULL,
	"rank_id" uuid NOT NULL,
	"day" date NOT NULL,
	"number" text NOT NULL,
	"code" text NOT NULL,
	"signed" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "certificate_school_id_id_pk" PRIMARY KEY("school_id","id"),
	CONSTRAINT "certificate_number" UNIQUE("school_id","number"),
	CONSTRAINT "certificate_held" UNIQUE("school_id","held_id")
);
--> statement-breakpoint
CREATE TABLE "certificate_back" (
	"school_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"reason" text NOT NULL,
	"by" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "certificate_back_school_id_id_pk" PRIMARY KEY("school_id","id")
);
--> statement-breakpoint
CREATE TABLE "auth"."certificate_code" (
	"code" text PRIMARY KEY NOT NULL,
	"school_id" uuid NOT NULL
);
--> statement-breakpoint
CREATE TABLE "signing_key" (
	"school_id" uuid NOT NULL,
	"kid" text NOT NULL,
	"open" jsonb NOT NULL,
	"sealed" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone,
	CONSTRAINT "signing_key_school_id_kid_pk" PRIMARY KEY("school_id","kid")
);
--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "certificate_head" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "certificate_wording" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "grading" ADD COLUMN "let_out_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "certificate" ADD CONSTRAINT "certificate_school_id_student_id_person_school_id_id_fk" FOREIGN KEY ("school_id","student_id") REFERENCES "public"."person"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "certificate" ADD CONSTRAINT "certificate_school_id_rank_id_rank_school_id_id_fk" FOREIGN KEY ("school_id","rank_id") REFERENCES "public"."rank"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "certificate_back" ADD CONSTRAINT "certificate_back_school_id_id_certificate_school_id_id_fk" FOREIGN KEY ("school_id","id") REFERENCES "public"."certificate"("school_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "certificate_student" ON "certificate" USING btree ("school_id","student_id");--> statement-breakpoint
UPDATE "grading" SET "let_out_at" = "closed_at";
