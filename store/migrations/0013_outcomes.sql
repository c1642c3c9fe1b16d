CREATE TABLE "outcomes" (
	"job_id" uuid NOT NULL,
	"finding" uuid NOT NULL,
	"ticket" text NOT NULL,
	"family" text NOT NULL,
	"kind" text NOT NULL,
	"part" text NOT NULL,
	"found_at" timestamp with time zone NOT NULL,
	"serial" text NOT NULL,
	"maker" text NOT NULL,
	"told" jsonb NOT NULL,
	CONSTRAINT "outcomes_job_id_finding_pk" PRIMARY KEY("job_id","finding")
);
--> statement-breakpoint
ALTER TABLE "step_times" ADD COLUMN "squares" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "step_times" ADD COLUMN "since" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "outcomes" ADD CONSTRAINT "outcomes_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "outcomes_asked" ON "outcomes" USING btree ("family","kind","found_at");--> statement-breakpoint
CREATE INDEX "entries_pass" ON "entries" USING btree ("received_at","job_id") WHERE kind = 'pass';