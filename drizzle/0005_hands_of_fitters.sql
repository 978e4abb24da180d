ALTER TABLE `fitters` ADD `three_fingers` integer;--> statement-breakpoint
ALTER TABLE `fitters` ADD `four_fingers` integer;