CREATE TABLE `import_parts` (
	`import_id` text NOT NULL,
	`number` integer NOT NULL,
	`first` integer NOT NULL,
	`document` text NOT NULL,
	PRIMARY KEY(`import_id`, `number`, `first`),
	FOREIGN KEY (`import_id`) REFERENCES `imports`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `imports` (
	`id` text PRIMARY KEY NOT NULL,
	`file` text NOT NULL,
	`existing` text NOT NULL,
	`state` text NOT NULL,
	`brought_by` text,
	`counts` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
DROP INDEX `readings_session`;--> statement-breakpoint
CREATE INDEX `readings_session` ON `readings` (`session_id`) WHERE session_id is not null;--> statement-breakpoint
ALTER TABLE `practice` ADD `tolerances` text;--> statement-breakpoint
ALTER TABLE `sitters` ADD `is_nickname` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `sitters` ADD `consent_on` text;--> statement-breakpoint
ALTER TABLE `sitters` ADD `consent_by` text;--> statement-breakpoint
ALTER TABLE `sitters` ADD `import_id` text;