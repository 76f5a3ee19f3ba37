CREATE TABLE `documents` (
	`hash` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `ends` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at` text NOT NULL,
	`procedure_hash` text NOT NULL,
	`cable_hash` text NOT NULL,
	`tools_hash` text NOT NULL,
	`style` text NOT NULL,
	`style_name` text NOT NULL,
	`cable_name` text NOT NULL,
	`picked` text NOT NULL,
	`rule` text NOT NULL,
	`job` text DEFAULT '' NOT NULL,
	`label` text DEFAULT '' NOT NULL,
	`result` text,
	`signed_by` text,
	`signed_at` text,
	FOREIGN KEY (`procedure_hash`) REFERENCES `documents`(`hash`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`cable_hash`) REFERENCES `documents`(`hash`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tools_hash`) REFERENCES `documents`(`hash`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `ends_by_sign` ON `ends` (`signed_at`,`id`);--> statement-breakpoint
CREATE INDEX `ends_by_creation` ON `ends` (`created_at`,`id`);--> statement-breakpoint
CREATE TABLE `entries` (
	`id` text PRIMARY KEY NOT NULL,
	`end_id` text NOT NULL,
	`seq` integer NOT NULL,
	`at` text NOT NULL,
	`client` text NOT NULL,
	`entry` text NOT NULL,
	FOREIGN KEY (`end_id`) REFERENCES `ends`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `entries_by_end` ON `entries` (`end_id`,`seq`);