CREATE TABLE `spares` (
	`id` text PRIMARY KEY NOT NULL,
	`part` text NOT NULL,
	`name` text NOT NULL,
	`mechanism` text,
	`maker` text DEFAULT '' NOT NULL,
	`model` text DEFAULT '' NOT NULL,
	`pieces` integer DEFAULT 1 NOT NULL,
	`known` text NOT NULL,
	`says` text DEFAULT '' NOT NULL,
	`measures` text NOT NULL,
	`place` text DEFAULT '' NOT NULL,
	`due_on` text,
	`photo` text,
	`added_at` text NOT NULL,
	`gone` text
);
--> statement-breakpoint
CREATE INDEX `log_entries_parts` ON `log_entries` (`seq`) WHERE kind in ('released', 'part-used', 'part-lent', 'part-back');--> statement-breakpoint
CREATE INDEX `log_entries_taken_back` ON `log_entries` (`takes_back`) WHERE takes_back is not null;