INSERT INTO `events` (`id`, `end_id`, `seq`, `v`, `at`, `client`, `body`, `before`, `hash`)
SELECT `id`, `end_id`, `seq`, 1, `at`, `client`, CAST(`entry` AS TEXT), `before`, `hash` FROM `entries` ORDER BY rowid;
--> statement-breakpoint
DROP TABLE `entries`;
