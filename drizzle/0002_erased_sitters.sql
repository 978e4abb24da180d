PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_fittings` (
	`id` text PRIMARY KEY NOT NULL,
	`sitter_id` text,
	`fitter_id` text,
	`seat_version_id` text,
	`place_version_id` text,
	`method_version_id` text NOT NULL,
	`tools` integer DEFAULT 0 NOT NULL,
	`date` text NOT NULL,
	`state` text DEFAULT 'open' NOT NULL,
	`inputs` text,
	`version` integer DEFAULT 1 NOT NULL,
	`draft_revision` integer DEFAULT 0 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`deleted_at` text,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE restrict,
	FOREIGN KEY (`fitter_id`) REFERENCES `fitters`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`seat_version_id`) REFERENCES `seat_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_version_id`) REFERENCES `place_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`method_version_id`) REFERENCES `method_versions`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `__new_fittings`("id", "sitter_id", "fitter_id", "seat_version_id", "place_version_id", "method_version_id", "tools", "date", "state", "inputs", "version", "draft_revision", "created_at", "updated_at", "deleted_at") SELECT "id", "sitter_id", "fitter_id", "seat_version_id", "place_version_id", "method_version_id", "tools", "date", "state", "inputs", "version", "draft_revision", "created_at", "updated_at", "deleted_at" FROM `fittings`;--> statement-breakpoint
DROP TABLE `fittings`;--> statement-breakpoint
ALTER TABLE `__new_fittings` RENAME TO `fittings`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `fittings_sitter` ON `fittings` (`sitter_id`);--> statement-breakpoint
CREATE INDEX `fittings_updated` ON `fittings` (`updated_at`);