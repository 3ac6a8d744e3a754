CREATE TABLE IF NOT EXISTS `rounds` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid,
	`played_at` datetime(3) NOT NULL,
	`body` json NOT NULL,
	`version` int NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `rounds_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `rounds` ADD CONSTRAINT `rounds_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rounds` ADD CONSTRAINT `rounds_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `rounds_player` ON `rounds` (`player_id`,`played_at`);
