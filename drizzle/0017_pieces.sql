CREATE TABLE `piece_faults` (
	`id` text PRIMARY KEY NOT NULL,
	`piece_id` text NOT NULL,
	`kind` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`do_not_use` integer DEFAULT false NOT NULL,
	`reported_at` text NOT NULL,
	`reported_by` text,
	`mended_at` text,
	`mended_by` text,
	FOREIGN KEY (`piece_id`) REFERENCES `pieces`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `piece_faults_piece` ON `piece_faults` (`piece_id`);--> statement-breakpoint
CREATE TABLE `piece_users` (
	`piece_id` text NOT NULL,
	`sitter_id` text NOT NULL,
	PRIMARY KEY(`piece_id`, `sitter_id`),
	FOREIGN KEY (`piece_id`) REFERENCES `pieces`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`sitter_id`) REFERENCES `sitters`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `piece_users_sitter` ON `piece_users` (`sitter_id`);--> statement-breakpoint
CREATE TABLE `pieces` (
	`id` text PRIMARY KEY NOT NULL,
	`tag` text NOT NULL,
	`token` text NOT NULL,
	`seat_id` text NOT NULL,
	`place_id` text,
	`is_away` integer DEFAULT false NOT NULL,
	`notes` text DEFAULT '' NOT NULL,
	`last_look_on` text,
	`last_look_by` text,
	`setting` text,
	`setting_version_id` text,
	`setting_at` text,
	`setting_fitting_id` text,
	`version` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`deleted_at` text,
	FOREIGN KEY (`setting_version_id`) REFERENCES `seat_versions`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`setting_fitting_id`) REFERENCES `fittings`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE UNIQUE INDEX `pieces_tag` ON `pieces` (`tag`) WHERE deleted_at is null;--> statement-breakpoint
CREATE UNIQUE INDEX `pieces_token` ON `pieces` (`token`);--> statement-breakpoint
CREATE INDEX `pieces_seat` ON `pieces` (`seat_id`);--> statement-breakpoint
ALTER TABLE `fittings` ADD `piece_id` text REFERENCES pieces(id) ON DELETE set null;