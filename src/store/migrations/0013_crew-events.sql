CREATE TABLE `crew_events` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`device` text,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `crew_events_by_id` ON `crew_events` (`id`);