CREATE TABLE `belts` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`inside_mm` real NOT NULL,
	`section_mm` real NOT NULL,
	`material` text NOT NULL,
	`origin` text DEFAULT '' NOT NULL,
	`added_at` text NOT NULL,
	`gone` text
);
--> statement-breakpoint
CREATE TABLE `profiles` (
	`id` text PRIMARY KEY NOT NULL,
	`profile` text NOT NULL,
	`changed_at` text NOT NULL
);
