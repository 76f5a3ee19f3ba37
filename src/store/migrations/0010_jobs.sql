CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at` text NOT NULL,
	`name` text NOT NULL,
	`by` text
);
--> statement-breakpoint
CREATE TABLE `plans` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`piece` text NOT NULL,
	`job` text NOT NULL,
	`revision` integer NOT NULL,
	`name` text NOT NULL,
	`ends` integer NOT NULL,
	`body` text,
	`at` text NOT NULL,
	`by` text,
	FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plans_by_revision` ON `plans` (`piece`,`revision`);--> statement-breakpoint
CREATE INDEX `plans_by_job` ON `plans` (`job`,`piece`,`revision`);--> statement-breakpoint
ALTER TABLE `ends` ADD `piece` text;--> statement-breakpoint
ALTER TABLE `ends` ADD `plan` integer;--> statement-breakpoint
ALTER TABLE `ends` ADD `side` text;--> statement-breakpoint
ALTER TABLE `ends` ADD `address` text;--> statement-breakpoint
CREATE INDEX `ends_by_place` ON `ends` (`piece`,`side`,`address`,`created_at`,`id`) WHERE piece IS NOT NULL;