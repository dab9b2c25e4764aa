CREATE TABLE "shop" (
	"name" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL
);
