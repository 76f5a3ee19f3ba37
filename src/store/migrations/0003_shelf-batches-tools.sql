CREATE TABLE `batches` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at` text NOT NULL,
	`name` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shelf` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`document` text NOT NULL,
	`revision` integer NOT NULL,
	`hash` text,
	`at` text NOT NULL,
	`by` text DEFAULT '' NOT NULL,
	`why` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`hash`) REFERENCES `documents`(`hash`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `shelf_by_revision` ON `shelf` (`kind`,`document`,`revision`);--> statement-breakpoint
CREATE TABLE `tool_events` (
	`id` text PRIMARY KEY NOT NULL,
	`tool` text NOT NULL,
	`at` text NOT NULL,
	`action` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `tool_events_by_tool` ON `tool_events` (`tool`,`at`);--> statement-breakpoint
ALTER TABLE `ends` ADD `batch_id` text REFERENCES batches(id);--> statement-breakpoint
ALTER TABLE `ends` ADD `batch_place` integer;--> statement-breakpoint
ALTER TABLE `ends` ADD `at` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `ends` ADD `timers` text;--> statement-breakpoint
CREATE INDEX `ends_by_batch` ON `ends` (`batch_id`,`batch_place`);--> statement-breakpoint
CREATE INDEX `ends_with_timers` ON `ends` (`id`) WHERE timers IS NOT NULL AND signed_at IS NULL;--> statement-breakpoint
CREATE INDEX `entries_by_tool` ON `entries` (json_extract(entry, '$.tool'),`at`) WHERE json_extract(entry, '$.kind') = 'use';