CREATE TABLE "owners" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name_hash" text NOT NULL,
	"key" "bytea" NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "owners_nameHash_unique" UNIQUE("name_hash")
);
--> statement-breakpoint
CREATE INDEX "entries_owner" ON "entries" USING btree (left(body->>'owner', 45)) WHERE kind = 'intake';