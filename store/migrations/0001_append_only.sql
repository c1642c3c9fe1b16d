-- Entries and jobs are written in ink: nothing is ever updated, deleted or truncated.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'the logbook is append-only: % on % refused; strike the entry instead', TG_OP, TG_TABLE_NAME
    USING ERRCODE = 'integrity_constraint_violation';
END $$;
--> statement-breakpoint
CREATE TRIGGER entries_append_only BEFORE UPDATE OR DELETE ON "entries" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER entries_no_truncate BEFORE TRUNCATE ON "entries" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER jobs_append_only BEFORE UPDATE OR DELETE ON "jobs" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER jobs_no_truncate BEFORE TRUNCATE ON "jobs" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
-- Every writer announces what it wrote, whichever process it is; listeners fetch the entries themselves.
CREATE FUNCTION announce_entry() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('holotonos_entries', NEW.job_id::text);
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER entries_announce AFTER INSERT ON "entries" FOR EACH ROW EXECUTE FUNCTION announce_entry();
