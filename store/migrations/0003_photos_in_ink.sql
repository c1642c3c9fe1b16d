-- Pictures and kept types are evidence of what was seen and known: never changed, never deleted.
CREATE TRIGGER photos_append_only BEFORE UPDATE OR DELETE ON "photos" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER photos_no_truncate BEFORE TRUNCATE ON "photos" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER instrument_types_append_only BEFORE UPDATE OR DELETE ON "instrument_types" FOR EACH ROW EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER instrument_types_no_truncate BEFORE TRUNCATE ON "instrument_types" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
