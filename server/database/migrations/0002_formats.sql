ALTER TABLE "entry" ADD COLUMN "format" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "procedure" ADD COLUMN "format" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "series_version" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "release" ADD COLUMN "format" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "series" ADD COLUMN "format" integer DEFAULT 1 NOT NULL;