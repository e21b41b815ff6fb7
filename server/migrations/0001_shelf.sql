CREATE TABLE "own_devices" (
	"id" text PRIMARY KEY NOT NULL,
	"version" integer NOT NULL,
	"body" jsonb NOT NULL,
	"taken_off" boolean NOT NULL,
	"changed_at" text NOT NULL
);
