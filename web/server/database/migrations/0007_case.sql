ALTER TABLE `drives` ADD `year` integer;--> statement-breakpoint
ALTER TABLE `drives` ADD `goal` text;--> statement-breakpoint
ALTER TABLE `drives` ADD `practice` integer;--> statement-breakpoint
ALTER TABLE `drives` ADD `route` text DEFAULT 'complaint' NOT NULL;