CREATE TABLE `closure_events` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`closure` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`client` text NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `closure_events_by_id` ON `closure_events` (`id`);--> statement-breakpoint
CREATE INDEX `closure_events_by_closure` ON `closure_events` (`closure`,`n`);