CREATE TABLE IF NOT EXISTS `changes` (
	`id` bigint unsigned AUTO_INCREMENT NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid,
	`kind` varchar(24) NOT NULL,
	`times` int NOT NULL,
	`began_at` datetime(3) NOT NULL,
	`last_at` datetime(3) NOT NULL,
	CONSTRAINT `changes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `resets` (
	`id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`made_by` uuid NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`closed_at` datetime(3),
	CONSTRAINT `resets_id` PRIMARY KEY(`id`),
	CONSTRAINT `resets_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `changes` ADD CONSTRAINT `changes_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `changes` ADD CONSTRAINT `changes_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resets` ADD CONSTRAINT `resets_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `resets` ADD CONSTRAINT `resets_made_by_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`made_by`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `changes_player` ON `changes` (`player_id`,`id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `resets_coach` ON `resets` (`coach_id`);