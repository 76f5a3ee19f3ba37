CREATE TABLE `studies` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`person` text NOT NULL,
	`instrument` text NOT NULL,
	`readings` text NOT NULL,
	`repeatability` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `studies_by_person` ON `studies` (`person`,`instrument`,`at`);--> statement-breakpoint
ALTER TABLE `ends` ADD `last_hash` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `entries` ADD `before` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `entries` ADD `hash` text DEFAULT '' NOT NULL;