CREATE TABLE "instrument_types" (
	"revision" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "instrument_types_revision_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"id" text NOT NULL,
	"document" jsonb NOT NULL,
	"author" text NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"job_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"picture" "bytea" NOT NULL,
	"thumbnail" "bytea" NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photos_job_id_id_pk" PRIMARY KEY("job_id","id")
);
--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "instrument_types_id_index" ON "instrument_types" USING btree ("id");