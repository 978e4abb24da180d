DROP INDEX `catalogue_name`;--> statement-breakpoint
CREATE INDEX `catalogue_listed` ON `catalogue` (`kind`,`folded`,`id`,`state`);