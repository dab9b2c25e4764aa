CREATE TABLE "job_entries" (
	"seq" bigserial PRIMARY KEY NOT NULL,
	"id" uuid NOT NULL,
	"job_id" uuid NOT NULL,
	"at" timestamp (3) with time zone NOT NULL,
	"by" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "job_entries_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"box_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "one_job_of_a_number" UNIQUE("box_id","number")
);
--> statement-breakpoint
ALTER TABLE "job_entries" ADD CONSTRAINT "job_entries_job_id_jobs_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_box_id_boxes_id_fk" FOREIGN KEY ("box_id") REFERENCES "public"."boxes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entries_of_a_job" ON "job_entries" USING btree ("job_id","seq");--> statement-breakpoint
CREATE INDEX "jobs_of_a_box" ON "jobs" USING btree ("box_id","number");