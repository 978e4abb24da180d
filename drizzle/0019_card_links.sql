CREATE TABLE `card_links` (
	`id` text PRIMARY KEY NOT NULL,
	`fitting_id` text NOT NULL,
	`digest` text NOT NULL,
	`made_at` text NOT NULL,
	`made_by` text,
	FOREIGN KEY (`fitting_id`) REFERENCES `fittings`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `card_links_digest_unique` ON `card_links` (`digest`);--> statement-breakpoint
CREATE INDEX `card_links_fitting` ON `card_links` (`fitting_id`,`made_at`);