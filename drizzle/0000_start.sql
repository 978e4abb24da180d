CREATE TABLE `fitters` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `fittings` (
	`id` text PRIMARY KEY NOT NULL,
	`sitter_id` text NOT NULL,
	`fitter_id` text,
	`seat_version_id` text,
	`place_version_id` text,
	`method_version_id` text NOT NULL,
	`tools` integer DEFAULT 0 NOT NULL,
	`date` text NOT NULL,
	`state` text DEFAULT 'open' NOT NULL,
	`inputs` text,
	`version` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE restrict,
	FOREIGN KEY (`fitter_id`) REFERENCES `fitters`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`seat_version_id`) REFERENCES `seat_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_version_id`) REFERENCES `place_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`method_version_id`) REFERENCES `method_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `fittings_sitter` ON `fittings` (`sitter_id`);--> statement-breakpoint
CREATE INDEX `fittings_updated` ON `fittings` (`updated_at`);--> statement-breakpoint
CREATE TABLE `method_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`method_id` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `method_versions_number` ON `method_versions` (`method_id`,`number`);--> statement-breakpoint
CREATE TABLE `place_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`place_id` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `place_versions_number` ON `place_versions` (`place_id`,`number`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` text PRIMARY KEY NOT NULL,
	`sitter_id` text NOT NULL,
	`dimension` text NOT NULL,
	`value` integer NOT NULL,
	`basis` text NOT NULL,
	`spread` integer NOT NULL,
	`source` text NOT NULL,
	`taken_at` text NOT NULL,
	`taken_by` text,
	`withdrawn_at` text,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "readings_value" CHECK("readings"."value" >= 0)
);
--> statement-breakpoint
CREATE UNIQUE INDEX `readings_current` ON `readings` (`sitter_id`,`dimension`) WHERE withdrawn_at is null;--> statement-breakpoint
CREATE TABLE `seat_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`seat_id` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `seat_versions_number` ON `seat_versions` (`seat_id`,`number`);--> statement-breakpoint
CREATE TABLE `setting_sets` (
	`id` text PRIMARY KEY NOT NULL,
	`fitting_id` text NOT NULL,
	`posture` text DEFAULT 'main' NOT NULL,
	`stage` text NOT NULL,
	`version` integer NOT NULL,
	`settings` text NOT NULL,
	`inputs` text,
	`saved_at` text NOT NULL,
	FOREIGN KEY (`fitting_id`) REFERENCES `fittings`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `setting_sets_version` ON `setting_sets` (`fitting_id`,`posture`,`stage`,`version`);--> statement-breakpoint
CREATE TABLE `sitters` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`folded` text NOT NULL,
	`birth_date` text,
	`version` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `sitters_folded` ON `sitters` (`folded`);