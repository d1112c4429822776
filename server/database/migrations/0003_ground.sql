CREATE TABLE "device_key" (
	"id" text PRIMARY KEY NOT NULL,
	"person_id" text NOT NULL,
	"device_id" text NOT NULL,
	"public_key" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"revoked_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "photo_source" (
	"sent" text PRIMARY KEY NOT NULL,
	"photo" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "state" (
	"key" text PRIMARY KEY NOT NULL,
	"value" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "tries" (
	"key" text PRIMARY KEY NOT NULL,
	"points" integer DEFAULT 0 NOT NULL,
	"expire" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "sent_by" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "device_id" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "key_id" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "signed" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "signature" text;--> statement-breakpoint
ALTER TABLE "entry" ADD COLUMN "clock_behind_ms" bigint;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "phase" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "done" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "problems" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "holder" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "entries" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "changed_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD COLUMN "writers_only" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "digest" text GENERATED ALWAYS AS (md5(("procedure"."document")::text)) STORED;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "steps" integer GENERATED ALWAYS AS (jsonb_array_length("procedure"."document" -> 'steps')) STORED NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "takes_over" text GENERATED ALWAYS AS ("procedure"."document" ->> 'takesOver') STORED;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "check_due" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "checked_at" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "stops" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "first_stop" text;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "frozen" text;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "series_name" text;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "title" text;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "steps" integer;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "digest" text GENERATED ALWAYS AS (md5(("series"."document")::text)) STORED;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "pump_type" text GENERATED ALWAYS AS ("series"."document" ->> 'pumpType') STORED;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "position_names" jsonb GENERATED ALWAYS AS (jsonb_path_query_array("series"."document", '$.positionSets[*].name')) STORED;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "position_counts" jsonb GENERATED ALWAYS AS (jsonb_path_query_array("series"."document", '$.positionSets[*].positions.size()')) STORED;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "known_password" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "device_key" ADD CONSTRAINT "device_key_person_id_user_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photo_source" ADD CONSTRAINT "photo_source_photo_photo_hash_fk" FOREIGN KEY ("photo") REFERENCES "public"."photo"("hash") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "device_key_person" ON "device_key" USING btree ("person_id");--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_sent_by_user_id_fk" FOREIGN KEY ("sent_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry" ADD CONSTRAINT "entry_key_id_device_key_id_fk" FOREIGN KEY ("key_id") REFERENCES "public"."device_key"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_holder_user_id_fk" FOREIGN KEY ("holder") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "job_number" ON "job" USING btree ("number");--> statement-breakpoint
UPDATE "release" SET "series_name" = "document" -> 'series' ->> 'name', "title" = "document" -> 'procedure' ->> 'title';
--> statement-breakpoint
CREATE FUNCTION "sessions_changed"() RETURNS trigger AS $$ BEGIN PERFORM pg_notify('sessions_changed', ''); RETURN NULL; END $$ LANGUAGE plpgsql;
--> statement-breakpoint
CREATE TRIGGER "session_changed" AFTER UPDATE OR DELETE ON "session" FOR EACH STATEMENT EXECUTE FUNCTION "sessions_changed"();
--> statement-breakpoint
CREATE TRIGGER "person_changed" AFTER UPDATE OR DELETE ON "user" FOR EACH STATEMENT EXECUTE FUNCTION "sessions_changed"();
