CREATE TABLE "step_times" (
	"job_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"family" text NOT NULL,
	"person" text NOT NULL,
	"logs" double precision NOT NULL,
	"times" integer NOT NULL,
	CONSTRAINT "step_times_job_id_kind_family_person_pk" PRIMARY KEY("job_id","kind","family","person")
);
--> statement-breakpoint
CREATE TABLE "summaries" (
	"job_id" uuid PRIMARY KEY NOT NULL,
	"ticket" text NOT NULL,
	"seq" integer NOT NULL,
	"basis" text NOT NULL,
	"changes_at" timestamp with time zone,
	"standing" smallint NOT NULL,
	"due_by" text,
	"minutes_left" integer NOT NULL,
	"clocks_run" boolean NOT NULL,
	"words" text NOT NULL,
	"row" jsonb,
	"problem" text
);
--> statement-breakpoint
ALTER TABLE "step_times" ADD CONSTRAINT "step_times_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "summaries" ADD CONSTRAINT "summaries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "summaries_order" ON "summaries" USING btree ("standing","due_by","ticket");--> statement-breakpoint
CREATE INDEX "summaries_change" ON "summaries" USING btree ("changes_at");