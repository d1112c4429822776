CREATE TABLE "reply" (
	"entry_id" text PRIMARY KEY NOT NULL,
	"text" text NOT NULL,
	"by" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"release_id" text
);
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "hours" double precision;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "waits_for" text;--> statement-breakpoint
ALTER TABLE "reply" ADD CONSTRAINT "reply_entry_id_entry_id_fk" FOREIGN KEY ("entry_id") REFERENCES "public"."entry"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reply" ADD CONSTRAINT "reply_by_user_id_fk" FOREIGN KEY ("by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reply" ADD CONSTRAINT "reply_release_id_release_id_fk" FOREIGN KEY ("release_id") REFERENCES "public"."release"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "job_serial" ON "job" USING btree ("pump_serial");