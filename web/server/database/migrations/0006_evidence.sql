ALTER TABLE `drives` ADD `simulated` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `evidence` text;