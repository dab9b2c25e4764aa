CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
DROP INDEX "boxes_on_the_bench";--> statement-breakpoint
CREATE INDEX "boxes_by_name" ON "boxes" USING gin ("name" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "boxes_on_the_bench" ON "boxes" USING btree ("updated_at" DESC NULLS FIRST,"id" DESC NULLS FIRST) WHERE "boxes"."deleted_at" is null;