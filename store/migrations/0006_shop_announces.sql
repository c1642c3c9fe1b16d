-- Whoever shows what the shop has written down hears of it too, as of the entries of jobs.
CREATE FUNCTION announce_shop_entry() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('holotonos_entries', 'shop');
  RETURN NULL;
END $$;
--> statement-breakpoint
CREATE TRIGGER shop_entries_announce AFTER INSERT ON "shop_entries" FOR EACH ROW EXECUTE FUNCTION announce_shop_entry();
