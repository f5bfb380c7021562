CREATE TABLE `log_chain` (
	`entry` text PRIMARY KEY NOT NULL,
	`drive_id` text NOT NULL,
	`before` text NOT NULL,
	`hash` text NOT NULL,
	`salt` text NOT NULL,
	`erased` text,
	`first_seq` integer NOT NULL,
	FOREIGN KEY (`drive_id`) REFERENCES `drives`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `log_chain_drive` ON `log_chain` (`drive_id`);--> statement-breakpoint
CREATE TABLE `log_heads` (
	`drive_id` text PRIMARY KEY NOT NULL,
	`entries` integer NOT NULL,
	`hash` text NOT NULL,
	FOREIGN KEY (`drive_id`) REFERENCES `drives`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TRIGGER `log_chain_no_update` BEFORE UPDATE ON `log_chain` BEGIN
	SELECT RAISE(ABORT, 'links of the log are never changed');
END;--> statement-breakpoint
CREATE TRIGGER `log_chain_no_delete` BEFORE DELETE ON `log_chain` BEGIN
	SELECT RAISE(ABORT, 'links of the log are never removed');
END;
