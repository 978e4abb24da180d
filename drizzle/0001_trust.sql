CREATE TABLE `answers` (
	`key` text PRIMARY KEY NOT NULL,
	`fingerprint` text NOT NULL,
	`outcome` text NOT NULL,
	`given_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `answers_given` ON `answers` (`given_at`);--> statement-breakpoint
ALTER TABLE `fittings` ADD `draft_revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `fittings` ADD `deleted_at` text;--> statement-breakpoint
ALTER TABLE `sitters` ADD `deleted_at` text;