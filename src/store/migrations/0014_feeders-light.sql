CREATE TABLE `feeders` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`feeder` text NOT NULL,
	`job` text NOT NULL,
	`revision` integer NOT NULL,
	`body` text,
	`at` text NOT NULL,
	`by` text,
	FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `feeders_by_revision` ON `feeders` (`feeder`,`revision`);--> statement-breakpoint
CREATE INDEX `feeders_by_job` ON `feeders` (`job`,`feeder`,`revision`);--> statement-breakpoint
CREATE TABLE `light_references` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`events_before` integer NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `light_references_by_id` ON `light_references` (`id`);