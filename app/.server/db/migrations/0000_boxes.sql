CREATE TABLE "boxes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"is_demo" boolean DEFAULT false NOT NULL,
	"document" jsonb NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"cautions_read_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"deleted_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "box_revisions" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"box_id" uuid NOT NULL,
	"revision" integer NOT NULL,
	"edit" jsonb NOT NULL,
	"is_applied" boolean NOT NULL,
	"document_before" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "seeds" (
	"name" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "box_revisions" ADD CONSTRAINT "box_revisions_box_id_boxes_id_fk" FOREIGN KEY ("box_id") REFERENCES "public"."boxes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "boxes_on_the_bench" ON "boxes" USING btree ("updated_at" DESC NULLS LAST,"id") WHERE "boxes"."deleted_at" is null;--> statement-breakpoint
CREATE INDEX "box_revisions_of_a_box" ON "box_revisions" USING btree ("box_id","id");