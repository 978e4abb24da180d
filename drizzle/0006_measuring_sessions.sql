CREATE TABLE `measuring_sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`sitter_id` text NOT NULL,
	`date` text NOT NULL,
	`taken_by` text,
	`shoes_on` integer DEFAULT false NOT NULL,
	`clothes` text DEFAULT '' NOT NULL,
	`notes` text DEFAULT '' NOT NULL,
	`started_at` text NOT NULL,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `measuring_sessions_sitter` ON `measuring_sessions` (`sitter_id`,`started_at`);--> statement-breakpoint
ALTER TABLE `readings` ADD `session_id` text REFERENCES measuring_sessions(id);--> statement-breakpoint
ALTER TABLE `readings` ADD `takes` text;--> statement-breakpoint
ALTER TABLE `readings` ADD `instrument` text;--> statement-breakpoint
CREATE INDEX `readings_session` ON `readings` (`session_id`);