CREATE TABLE `attempts` (
	`event_id` text PRIMARY KEY NOT NULL,
	`end_id` text NOT NULL,
	`kind` text NOT NULL,
	`rule` text,
	`leg` text NOT NULL,
	`at` text NOT NULL,
	`cable_lost` integer NOT NULL,
	`taken_back` integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX `attempts_by_end` ON `attempts` (`end_id`);--> statement-breakpoint
CREATE TABLE `events` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`end_id` text NOT NULL,
	`seq` integer NOT NULL,
	`v` integer NOT NULL,
	`at` text NOT NULL,
	`client` text NOT NULL,
	`body` text NOT NULL,
	`before` text NOT NULL,
	`hash` text NOT NULL,
	FOREIGN KEY (`end_id`) REFERENCES `ends`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `events_by_id` ON `events` (`id`);--> statement-breakpoint
CREATE UNIQUE INDEX `events_by_end` ON `events` (`end_id`,`seq`);--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `meta` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `people_events` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`by` text,
	`kind` text NOT NULL,
	`person` text NOT NULL,
	`name` text DEFAULT '' NOT NULL,
	`into` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_events_id_unique` ON `people_events` (`id`);--> statement-breakpoint
CREATE TABLE `readings` (
	`event_id` text PRIMARY KEY NOT NULL,
	`end_id` text NOT NULL,
	`check` text NOT NULL,
	`value` integer NOT NULL,
	`instrument` text NOT NULL,
	`by` text,
	`at` text NOT NULL,
	`standing` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `readings_by_end` ON `readings` (`end_id`,`check`);--> statement-breakpoint
CREATE TABLE `register` (
	`n` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`ref` text NOT NULL,
	`digest` text NOT NULL,
	`before` text NOT NULL,
	`hash` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `register_by_ref` ON `register` (`kind`,`ref`);--> statement-breakpoint
CREATE TABLE `uses` (
	`event_id` text NOT NULL,
	`place` integer NOT NULL,
	`end_id` text NOT NULL,
	`tool` text,
	`item` text NOT NULL,
	`count` integer NOT NULL,
	`at` text NOT NULL,
	`purpose` text NOT NULL,
	PRIMARY KEY(`event_id`, `place`)
);
--> statement-breakpoint
CREATE INDEX `uses_by_tool` ON `uses` (`tool`,`at`);--> statement-breakpoint
CREATE INDEX `uses_by_end` ON `uses` (`end_id`);--> statement-breakpoint
CREATE TABLE `verdicts` (
	`end_id` text NOT NULL,
	`check` text NOT NULL,
	`dimension` text NOT NULL,
	`name` text NOT NULL,
	`leg` text NOT NULL,
	`nominal` integer NOT NULL,
	`min` integer,
	`max` integer,
	`makes` text,
	`tool` text,
	`readings` integer NOT NULL,
	`mean` real,
	`u` real,
	`probability` real,
	`verdict` text,
	`first_mean` real,
	PRIMARY KEY(`end_id`, `check`)
);
--> statement-breakpoint
ALTER TABLE `documents` ADD `v` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `ends` ADD `sheet_hash` text REFERENCES documents(hash);--> statement-breakpoint
ALTER TABLE `ends` ADD `program` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `ends` ADD `purpose` text DEFAULT 'work' NOT NULL;--> statement-breakpoint
ALTER TABLE `ends` ADD `founding` text;--> statement-breakpoint
ALTER TABLE `ends` ADD `signer` text;--> statement-breakpoint
CREATE INDEX `ends_by_signer` ON `ends` (`signer`,`signed_at`);--> statement-breakpoint
ALTER TABLE `studies` ADD `by` text;--> statement-breakpoint
CREATE INDEX `studies_by_hand` ON `studies` (`by`,`instrument`,`at`);
--> statement-breakpoint
DROP TRIGGER IF EXISTS documents_keep_rows;
--> statement-breakpoint
DROP TRIGGER IF EXISTS documents_keep_words;
--> statement-breakpoint
DROP TRIGGER IF EXISTS shelf_keep_rows;
--> statement-breakpoint
DROP TRIGGER IF EXISTS shelf_keep_words;
--> statement-breakpoint
DROP TRIGGER IF EXISTS tool_events_keep_rows;
--> statement-breakpoint
DROP TRIGGER IF EXISTS tool_events_keep_words;
--> statement-breakpoint
DROP TRIGGER IF EXISTS studies_keep_rows;
--> statement-breakpoint
DROP TRIGGER IF EXISTS studies_keep_words;
