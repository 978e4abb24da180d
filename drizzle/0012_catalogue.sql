CREATE TABLE `catalogue` (
	`kind` text NOT NULL,
	`id` text NOT NULL,
	`version_id` text NOT NULL,
	`number` integer NOT NULL,
	`name` text NOT NULL,
	`folded` text NOT NULL,
	`state` text DEFAULT 'checked' NOT NULL,
	`state_at` text,
	`state_by` text,
	`summary_form` integer DEFAULT 0 NOT NULL,
	`fault` text,
	`summary` text,
	`import_id` text,
	PRIMARY KEY(`kind`, `id`)
);
--> statement-breakpoint
CREATE INDEX `catalogue_name` ON `catalogue` (`kind`,`folded`,`id`);--> statement-breakpoint
CREATE INDEX `catalogue_version` ON `catalogue` (`version_id`);--> statement-breakpoint
CREATE TABLE `seat_facts` (
	`seat_id` text PRIMARY KEY NOT NULL,
	`family_id` text NOT NULL,
	`seat_class` text NOT NULL,
	`height_lowest` integer NOT NULL,
	`height_highest` integer NOT NULL,
	`width` integer,
	`rated_load` integer,
	`price` real,
	`offers` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `seat_ranges` (
	`seat_id` text NOT NULL,
	`kind` text NOT NULL,
	`lowest` real NOT NULL,
	`highest` real NOT NULL,
	PRIMARY KEY(`seat_id`, `kind`)
);
--> statement-breakpoint
CREATE INDEX `seat_ranges_kind` ON `seat_ranges` (`kind`,`lowest`,`highest`);--> statement-breakpoint
CREATE TABLE `table_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`table_id` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `table_versions_number` ON `table_versions` (`table_id`,`number`);--> statement-breakpoint
INSERT INTO `table_versions` (`id`, `number`, `document`, `created_at`, `table_id`)
SELECT `id`, 1, `document`, `created_at`, `id` FROM `population_tables`;
--> statement-breakpoint
-- What lists show beyond ids is read from the documents at the first start.
INSERT INTO `catalogue` (`kind`, `id`, `version_id`, `number`, `name`, `folded`)
SELECT 'seat', v.`seat_id`, v.`id`, v.`number`, v.`seat_id`, v.`seat_id` FROM `seat_versions` v
WHERE v.`number` = (SELECT max(n.`number`) FROM `seat_versions` n WHERE n.`seat_id` = v.`seat_id`);
--> statement-breakpoint
INSERT INTO `catalogue` (`kind`, `id`, `version_id`, `number`, `name`, `folded`)
SELECT 'place', v.`place_id`, v.`id`, v.`number`, v.`place_id`, v.`place_id` FROM `place_versions` v
WHERE v.`number` = (SELECT max(n.`number`) FROM `place_versions` n WHERE n.`place_id` = v.`place_id`);
--> statement-breakpoint
INSERT INTO `catalogue` (`kind`, `id`, `version_id`, `number`, `name`, `folded`)
SELECT 'method', v.`method_id`, v.`id`, v.`number`, v.`method_id`, v.`method_id` FROM `method_versions` v
WHERE v.`number` = (SELECT max(n.`number`) FROM `method_versions` n WHERE n.`method_id` = v.`method_id`);
--> statement-breakpoint
INSERT INTO `catalogue` (`kind`, `id`, `version_id`, `number`, `name`, `folded`, `state`, `state_at`)
SELECT 'table', `id`, `id`, 1, `id`, `id`, CASE WHEN `retired_at` IS NULL THEN 'checked' ELSE 'retired' END, `retired_at`
FROM `population_tables`;
