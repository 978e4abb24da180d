ALTER TABLE `fittings` ADD `helmet` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `fittings` ADD `glasses` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `fittings` ADD `rises_by_arms` integer DEFAULT false NOT NULL;