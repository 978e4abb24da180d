CREATE TABLE `population_tables` (
	`id` text PRIMARY KEY NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`retired_at` text
);
--> statement-breakpoint
CREATE TABLE `practice` (
	`id` integer PRIMARY KEY NOT NULL,
	`table_id` text,
	CONSTRAINT "practice_one" CHECK("practice"."id" = 1)
);
--> statement-breakpoint
ALTER TABLE `fittings` ADD `fill_in` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `reason` text;--> statement-breakpoint
ALTER TABLE `sitters` ADD `table_id` text;