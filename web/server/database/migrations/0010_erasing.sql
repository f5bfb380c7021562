CREATE TABLE `arriving` (
	`drive_id` text PRIMARY KEY NOT NULL,
	`import_id` text NOT NULL,
	`seq` integer,
	`at` text,
	`outcome` text
);
--> statement-breakpoint
CREATE INDEX `arriving_import` ON `arriving` (`import_id`);--> statement-breakpoint
CREATE TABLE `contents_to_remove` (
	`folder` text NOT NULL,
	`sha` text NOT NULL,
	`here` integer NOT NULL,
	PRIMARY KEY(`folder`, `sha`)
);
--> statement-breakpoint
CREATE TABLE `erased_drives` (
	`id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`entries` integer NOT NULL,
	`hash` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `erasing` (
	`id` integer PRIMARY KEY NOT NULL
);
--> statement-breakpoint
CREATE INDEX `log_chain_erased` ON `log_chain` (`entry`) WHERE erased is not null;--> statement-breakpoint
DROP TRIGGER `log_entries_no_update`;--> statement-breakpoint
CREATE TRIGGER `log_entries_no_update` BEFORE UPDATE ON `log_entries` WHEN NOT EXISTS (SELECT 1 FROM `erasing`) BEGIN
	SELECT RAISE(ABORT, 'log entries are only ever added');
END;--> statement-breakpoint
DROP TRIGGER `log_entries_no_delete`;--> statement-breakpoint
CREATE TRIGGER `log_entries_no_delete` BEFORE DELETE ON `log_entries` WHEN NOT EXISTS (SELECT 1 FROM `erasing`) BEGIN
	SELECT RAISE(ABORT, 'log entries are only ever added');
END;--> statement-breakpoint
DROP TRIGGER `log_chain_no_update`;--> statement-breakpoint
CREATE TRIGGER `log_chain_no_update` BEFORE UPDATE ON `log_chain` WHEN NOT EXISTS (SELECT 1 FROM `erasing`) BEGIN
	SELECT RAISE(ABORT, 'links of the log are never changed');
END;--> statement-breakpoint
DROP TRIGGER `log_chain_no_delete`;--> statement-breakpoint
CREATE TRIGGER `log_chain_no_delete` BEFORE DELETE ON `log_chain` WHEN NOT EXISTS (SELECT 1 FROM `erasing`) BEGIN
	SELECT RAISE(ABORT, 'links of the log are never removed');
END;--> statement-breakpoint
INSERT INTO `log_words` (`log_words`, `rank`) VALUES ('secure-delete', 1);--> statement-breakpoint
CREATE TRIGGER `log_entries_other_words` AFTER UPDATE OF `title`, `detail` ON `log_entries` BEGIN
	INSERT INTO `log_words` (`log_words`, `rowid`, `title`, `detail`) VALUES ('delete', old.`seq`, old.`title`, old.`detail`);
	INSERT INTO `log_words` (`rowid`, `title`, `detail`) VALUES (new.`seq`, new.`title`, new.`detail`);
END;--> statement-breakpoint
CREATE TRIGGER `log_entries_no_words` AFTER DELETE ON `log_entries` BEGIN
	INSERT INTO `log_words` (`log_words`, `rowid`, `title`, `detail`) VALUES ('delete', old.`seq`, old.`title`, old.`detail`);
END;
