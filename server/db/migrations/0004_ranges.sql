CREATE TABLE IF NOT EXISTS `ranges` (
	`id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`name` varchar(40) NOT NULL,
	`altitude_m` double NOT NULL DEFAULT 0,
	`bearing_deg` double,
	`firmness` varchar(6) NOT NULL DEFAULT 'soft',
	`targets` json NOT NULL,
	`archived` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `ranges_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `coaches` ADD COLUMN IF NOT EXISTS `pace_m` double;--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `plan` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `shots` ADD COLUMN IF NOT EXISTS `taken` json;--> statement-breakpoint
ALTER TABLE `ranges` ADD CONSTRAINT `ranges_academy_id_academies_id_fk` FOREIGN KEY IF NOT EXISTS `ranges_academy_id_academies_id_fk` (`academy_id`) REFERENCES `academies`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `ranges_academy` ON `ranges` (`academy_id`);