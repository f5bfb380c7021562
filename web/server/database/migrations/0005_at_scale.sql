CREATE TABLE `drive_states` (
	`drive_id` text PRIMARY KEY NOT NULL,
	`seq` integer NOT NULL,
	`outcome` text,
	`at` text NOT NULL,
	FOREIGN KEY (`drive_id`) REFERENCES `drives`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `drive_states_outcome` ON `drive_states` (`outcome`,`at`);--> statement-breakpoint
DROP INDEX `log_entries_read_tests`;--> statement-breakpoint
CREATE INDEX `log_entries_type` ON `log_entries` (json_extract(`data`, '$.type'), json_extract(`data`, '$.instrument')) WHERE json_extract(`data`, '$.type') IS NOT NULL;--> statement-breakpoint
CREATE INDEX `log_entries_takes_back` ON `log_entries` (`takes_back`) WHERE `takes_back` IS NOT NULL;--> statement-breakpoint
CREATE VIRTUAL TABLE `log_words` USING fts5(`title`, `detail`, content = 'log_entries', content_rowid = 'seq', tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3');--> statement-breakpoint
CREATE TRIGGER `log_entries_words` AFTER INSERT ON `log_entries` BEGIN
	INSERT INTO `log_words` (`rowid`, `title`, `detail`) VALUES (new.`seq`, new.`title`, new.`detail`);
END;--> statement-breakpoint
INSERT INTO `log_words` (`log_words`) VALUES ('rebuild');
