CREATE TABLE `photos` (
	`sha` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`bytes` integer NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`kept_at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `drives` ADD `features` text;--> statement-breakpoint
ALTER TABLE `drives` ADD `account` text;--> statement-breakpoint
UPDATE `drives` SET `account` = json_object(
	'paid', CASE WHEN trim(`paid`) GLOB '[0-9]*' THEN CAST(`paid` AS REAL) END, 'parts', NULL,
	'working', CASE WHEN trim(`worth`) GLOB '[0-9]*' THEN CAST(`worth` AS REAL) END, 'asParts', NULL,
	'hours', NULL, 'hourRate', NULL, 'chance', NULL, 'matters', json('false')
) WHERE `paid` <> '' OR `worth` <> '';
--> statement-breakpoint
INSERT INTO `log_entries` (`id`, `drive_id`, `at`, `kind`, `station`, `title`, `detail`)
	SELECT lower(hex(randomblob(4)) || '-' || hex(randomblob(2)) || '-4' || substr(hex(randomblob(2)), 2) || '-8' || substr(hex(randomblob(2)), 2) || '-' || hex(randomblob(6))),
		`id`, strftime('%Y-%m-%dT%H:%M:%SZ', 'now'), 'note', 'receive', 'Amounts as they were written before', 'Paid: ' || `paid` || '; worth working: ' || `worth`
	FROM `drives` WHERE (`paid` <> '' AND NOT trim(`paid`) GLOB '[0-9]*') OR (`worth` <> '' AND NOT trim(`worth`) GLOB '[0-9]*');
