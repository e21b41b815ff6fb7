CREATE TABLE "documents" (
	"id" text PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"kind" text NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer NOT NULL,
	"changed_at" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "log_rows" (
	"job_id" text NOT NULL,
	"sequence" integer NOT NULL,
	"command_id" text NOT NULL,
	"received_at" text NOT NULL,
	"command" jsonb NOT NULL,
	"previous_hash" text NOT NULL,
	"hash" text NOT NULL,
	CONSTRAINT "log_rows_job_id_sequence_pk" PRIMARY KEY("job_id","sequence"),
	CONSTRAINT "log_rows_command_id_unique" UNIQUE("command_id")
);
--> statement-breakpoint
ALTER TABLE "documents" ADD CONSTRAINT "documents_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "log_rows" ADD CONSTRAINT "log_rows_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "documents_job" ON "documents" USING btree ("job_id");