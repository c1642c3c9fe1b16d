CREATE TABLE "stock_entries" (
	"seq" integer PRIMARY KEY NOT NULL,
	"id" uuid NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL,
	"author" text NOT NULL,
	"bench_time" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "stock_entries_id_unique" UNIQUE("id"),
	CONSTRAINT "stock_entries_of_this_age" CHECK ("stock_entries"."bench_time" >= '1899-12-31' and "stock_entries"."bench_time" < '2101-01-02')
);

--> statement-breakpoint
-- What was taken out of a drawer, and by which job, is ink like the rest.
CREATE TRIGGER stock_entries_append_only BEFORE UPDATE OR DELETE ON "stock_entries" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER stock_entries_no_truncate BEFORE TRUNCATE ON "stock_entries" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE FUNCTION announce_stock_entry() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('holotonos_entries', 'stock');
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER stock_entries_announce AFTER INSERT ON "stock_entries" FOR EACH ROW EXECUTE FUNCTION announce_stock_entry();
