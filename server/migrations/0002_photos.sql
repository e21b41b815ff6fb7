CREATE TABLE "photos" (
	"job_id" text NOT NULL,
	"hash" text NOT NULL,
	"type" text NOT NULL,
	"body" "bytea" NOT NULL,
	CONSTRAINT "photos_job_id_hash_pk" PRIMARY KEY("job_id","hash")
);
--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;