CREATE TABLE `seat_imports` (
	`id` text PRIMARY KEY NOT NULL,
	`file` text NOT NULL,
	`brought_by` text,
	`created_at` text NOT NULL,
	`created` integer DEFAULT 0 NOT NULL,
	`versions` integer DEFAULT 0 NOT NULL,
	`left` integer DEFAULT 0 NOT NULL,
	`same` integer DEFAULT 0 NOT NULL,
	`undone` integer,
	`kept` integer DEFAULT 0 NOT NULL
);
