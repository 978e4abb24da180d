CREATE TABLE `folded_method_versions` (
	`id` text PRIMARY KEY NOT NULL,
	`into_id` text NOT NULL,
	FOREIGN KEY (`into_id`) REFERENCES `method_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
DROP INDEX `fittings_updated`;--> statement-breakpoint
CREATE INDEX `fittings_date` ON `fittings` (`date`,`id`);--> statement-breakpoint
ALTER TABLE `fitters` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `measuring_sessions` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `practice` ADD `tolerances_version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `setting_sets` ADD `held` text;