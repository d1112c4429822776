CREATE TABLE "record" (
	"job_id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"sealed_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "record" ADD CONSTRAINT "record_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;