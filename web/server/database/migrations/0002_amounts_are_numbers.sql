ALTER TABLE `drives` DROP COLUMN `paid`;--> statement-breakpoint
ALTER TABLE `drives` DROP COLUMN `worth`;