CREATE TABLE `closures` (
	`row` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`closure` text NOT NULL,
	`job` text NOT NULL,
	`revision` integer NOT NULL,
	`body` text,
	`at` text NOT NULL,
	`by` text,
	FOREIGN KEY (`job`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `closures_by_revision` ON `closures` (`closure`,`revision`);--> statement-breakpoint
CREATE INDEX `closures_by_job` ON `closures` (`job`,`closure`,`revision`);