CREATE TABLE "shop_entries" (
	"seq" integer PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "shop_entries_seq_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 2147483647 START WITH 1 CACHE 1),
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL,
	"author" text NOT NULL,
	"bench_time" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "shop_entries_id_unique" UNIQUE("id")
);
--> statement-breakpoint
-- What the shop wrote down of its gauges is evidence, like the logbooks of its jobs.
CREATE TRIGGER shop_entries_append_only BEFORE UPDATE OR DELETE ON "shop_entries" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER shop_entries_no_truncate BEFORE TRUNCATE ON "shop_entries" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
