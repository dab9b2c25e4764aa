CREATE TABLE "edit_receipts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"box_id" uuid NOT NULL,
	"conflict" jsonb,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "boxes" ADD COLUMN "jobs_revision" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "job_entries" ADD COLUMN "device_at" timestamp (3) with time zone;--> statement-breakpoint
ALTER TABLE "job_entries" ADD COLUMN "received_at" timestamp (3) with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "job_photos" ADD COLUMN "is_withdrawn" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "closed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "summary" jsonb;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "summary_of" text;--> statement-breakpoint
ALTER TABLE "edit_receipts" ADD CONSTRAINT "edit_receipts_box_id_boxes_id_fk" FOREIGN KEY ("box_id") REFERENCES "public"."boxes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
-- A box has one open job from here on: all but its latest are closed, in their log too.
INSERT INTO "job_entries" ("id", "job_id", "at", "by", "body")
SELECT gen_random_uuid(), "id", now(), '', '{"kind": "close", "leftOut": "A later job was opened while this one was open."}'
FROM (
	SELECT "jobs"."id",
		(SELECT "body" ->> 'kind' FROM "job_entries" WHERE "job_id" = "jobs"."id" AND "body" ->> 'kind' IN ('close', 'reopen')
		 ORDER BY "at" DESC, "job_entries"."id" DESC LIMIT 1) IS DISTINCT FROM 'close' AS "is_open",
		row_number() OVER (PARTITION BY "box_id" ORDER BY "number" DESC) AS "place"
	FROM "jobs"
) AS "each" WHERE "is_open" AND "place" > 1;--> statement-breakpoint
UPDATE "jobs" SET "closed_at" = now() WHERE
	(SELECT "body" ->> 'kind' FROM "job_entries" WHERE "job_id" = "jobs"."id" AND "body" ->> 'kind' IN ('close', 'reopen')
	 ORDER BY "at" DESC, "job_entries"."id" DESC LIMIT 1) = 'close';--> statement-breakpoint
UPDATE "job_photos" SET "is_withdrawn" = true FROM "job_entries" AS "shown", "job_entries" AS "back"
WHERE "shown"."body" ->> 'photo' = "job_photos"."id"::text
	AND "back"."body" ->> 'kind' = 'withdraw' AND "back"."body" ->> 'entry' = "shown"."id"::text;--> statement-breakpoint
CREATE UNIQUE INDEX "one_open_job_of_a_box" ON "jobs" USING btree ("box_id") WHERE "jobs"."closed_at" is null;