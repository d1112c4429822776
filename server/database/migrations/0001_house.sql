CREATE TABLE "house" (
	"id" text PRIMARY KEY NOT NULL,
	"rules" jsonb NOT NULL,
	"changed_at" timestamp with time zone DEFAULT now() NOT NULL,
	"changed_by" text
);
--> statement-breakpoint
ALTER TABLE "house" ADD CONSTRAINT "house_changed_by_user_id_fk" FOREIGN KEY ("changed_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;