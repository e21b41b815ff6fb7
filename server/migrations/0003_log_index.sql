CREATE TABLE "snapshots" (
	"job_id" text NOT NULL,
	"document_id" text NOT NULL,
	"sequence" integer NOT NULL,
	"body" jsonb,
	CONSTRAINT "snapshots_job_id_document_id_sequence_pk" PRIMARY KEY("job_id","document_id","sequence")
);
--> statement-breakpoint
ALTER TABLE "log_rows" DROP CONSTRAINT "log_rows_command_id_unique";--> statement-breakpoint
ALTER TABLE "documents" ADD COLUMN "sequence" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "head_hash" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "verified" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "indexed" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "importing" text;--> statement-breakpoint
ALTER TABLE "log_rows" ADD COLUMN "words" "tsvector";--> statement-breakpoint
ALTER TABLE "snapshots" ADD CONSTRAINT "snapshots_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "log_rows_words" ON "log_rows" USING gin ("words");--> statement-breakpoint
ALTER TABLE "log_rows" ADD CONSTRAINT "log_rows_command" UNIQUE("job_id","command_id");--> statement-breakpoint
UPDATE "jobs" SET "indexed" = false, "head_hash" = (SELECT "hash" FROM "log_rows" WHERE "job_id" = "jobs"."id" AND "sequence" = "jobs"."revision");--> statement-breakpoint
UPDATE "documents" SET "sequence" = (SELECT "revision" FROM "jobs" WHERE "jobs"."id" = "documents"."job_id");
