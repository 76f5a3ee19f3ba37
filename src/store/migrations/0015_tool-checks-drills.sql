CREATE TABLE `drill_results` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`person` text NOT NULL,
	`task` text NOT NULL,
	`good` integer NOT NULL,
	`seconds` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `drill_results_by_id` ON `drill_results` (`id`);--> statement-breakpoint
CREATE INDEX `drill_results_by_person` ON `drill_results` (`person`,`n`);--> statement-breakpoint
CREATE TABLE `tool_checks` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`tool` text NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `tool_checks_by_id` ON `tool_checks` (`id`);--> statement-breakpoint
CREATE INDEX `tool_checks_by_tool` ON `tool_checks` (`tool`,`at`);