DROP INDEX `ends_by_sign`;--> statement-breakpoint
DROP INDEX `ends_by_creation`;--> statement-breakpoint
CREATE INDEX `ends_on_record` ON `ends` (`purpose`,`signed_at`,`id`,`result`,`style`,`style_name`,`cable_name`,`job`,`label`,`signed_by`) WHERE signed_at IS NOT NULL;--> statement-breakpoint
CREATE INDEX `ends_at_bench` ON `ends` (`created_at`,`id`,`batch_id`) WHERE signed_at IS NULL;--> statement-breakpoint
CREATE INDEX `ends_open_of_batch` ON `ends` (`batch_id`,`created_at`,`id`) WHERE signed_at IS NULL;