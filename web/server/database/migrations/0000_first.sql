CREATE TABLE `captures` (
	`sha` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`bytes` integer NOT NULL,
	`kept_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `drives` (
	`id` text PRIMARY KEY NOT NULL,
	`tag` text NOT NULL,
	`mechanism` text NOT NULL,
	`maker` text DEFAULT '' NOT NULL,
	`model` text DEFAULT '' NOT NULL,
	`serial` text DEFAULT '' NOT NULL,
	`host` text DEFAULT '' NOT NULL,
	`owner_words` text DEFAULT '' NOT NULL,
	`paid` text DEFAULT '' NOT NULL,
	`worth` text DEFAULT '' NOT NULL,
	`nominal_rpm` real,
	`motor` text,
	`has_trimmer` integer,
	`pulleys` text,
	`received_at` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `drives_tag` ON `drives` (`tag`);--> statement-breakpoint
CREATE TABLE `log_entries` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`drive_id` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`station` text NOT NULL,
	`title` text NOT NULL,
	`detail` text DEFAULT '' NOT NULL,
	`call` text,
	`observations` text DEFAULT '[]' NOT NULL,
	`data` text,
	`takes_back` text,
	FOREIGN KEY (`drive_id`) REFERENCES `drives`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `log_entries_id` ON `log_entries` (`id`);--> statement-breakpoint
CREATE INDEX `log_entries_drive` ON `log_entries` (`drive_id`,`seq`);--> statement-breakpoint
CREATE TABLE `workshop` (
	`id` integer PRIMARY KEY NOT NULL,
	`settings` text NOT NULL
);
--> statement-breakpoint
CREATE TRIGGER `log_entries_no_update` BEFORE UPDATE ON `log_entries` BEGIN
	SELECT RAISE(ABORT, 'log entries are only ever added');
END;--> statement-breakpoint
CREATE TRIGGER `log_entries_no_delete` BEFORE DELETE ON `log_entries` BEGIN
	SELECT RAISE(ABORT, 'log entries are only ever added');
END;
