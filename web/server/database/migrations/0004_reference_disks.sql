CREATE TABLE `disk_events` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`disk` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`detail` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`disk`) REFERENCES `reference_disks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `disk_events_id` ON `disk_events` (`id`);--> statement-breakpoint
CREATE INDEX `disk_events_disk` ON `disk_events` (`disk`,`seq`);--> statement-breakpoint
CREATE TABLE `reference_disks` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`mechanism` text NOT NULL,
	`written_by` text,
	`writer` text DEFAULT '' NOT NULL,
	`written_at` text NOT NULL,
	`proof` text NOT NULL,
	`proved_by` text,
	`added_at` text NOT NULL,
	FOREIGN KEY (`written_by`) REFERENCES `drives`(`id`) ON UPDATE no action ON DELETE no action
);

--> statement-breakpoint
CREATE TRIGGER `disk_events_no_update` BEFORE UPDATE ON `disk_events` BEGIN
	SELECT RAISE(ABORT, 'what was said of a disk is only ever added to');
END;--> statement-breakpoint
CREATE TRIGGER `disk_events_no_delete` BEFORE DELETE ON `disk_events` BEGIN
	SELECT RAISE(ABORT, 'what was said of a disk is only ever added to');
END;--> statement-breakpoint
CREATE INDEX `log_entries_read_tests` ON `log_entries` (`seq`) WHERE json_extract(`data`, '$.type') = 'read-test';
