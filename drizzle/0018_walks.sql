CREATE TABLE `felt_measures` (
	`id` text PRIMARY KEY NOT NULL,
	`sitter_id` text NOT NULL,
	`dimension` text NOT NULL,
	`value` integer NOT NULL,
	`spread` integer NOT NULL,
	`fitting_id` text,
	`taken_at` text NOT NULL,
	`taken_by` text,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`fitting_id`) REFERENCES `fittings`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `felt_measures_sitter` ON `felt_measures` (`sitter_id`,`dimension`,`taken_at`);--> statement-breakpoint
CREATE TABLE `walk_events` (
	`id` text PRIMARY KEY NOT NULL,
	`walk_id` text NOT NULL,
	`step` text NOT NULL,
	`answer` text NOT NULL,
	`position` integer,
	`feel` text,
	`reason` text,
	`note` text,
	`at` text NOT NULL,
	`by` text,
	`device` text,
	FOREIGN KEY (`walk_id`) REFERENCES `walks`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `walk_events_walk` ON `walk_events` (`walk_id`,`at`);--> statement-breakpoint
CREATE TABLE `walks` (
	`id` text PRIMARY KEY NOT NULL,
	`fitting_id` text NOT NULL,
	`inputs` text NOT NULL,
	`base` text NOT NULL,
	`postures` text NOT NULL,
	`started_at` text NOT NULL,
	`started_by` text,
	FOREIGN KEY (`fitting_id`) REFERENCES `fittings`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `walks_fitting` ON `walks` (`fitting_id`,`started_at`);--> statement-breakpoint
ALTER TABLE `setting_sets` ADD `walk` text;--> statement-breakpoint
ALTER TABLE `setting_sets` ADD `saved_by` text;