CREATE TABLE IF NOT EXISTS `flag_answers` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`said_at` datetime(3) NOT NULL,
	`body` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `flag_answers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `what_ifs` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`name` varchar(60) NOT NULL,
	`body` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `what_ifs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `academies` ADD COLUMN IF NOT EXISTS `thresholds` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `flag_answers` ADD CONSTRAINT `flag_answers_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `flag_answers_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `flag_answers` ADD CONSTRAINT `flag_answers_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `flag_answers_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `what_ifs` ADD CONSTRAINT `what_ifs_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `what_ifs_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `what_ifs` ADD CONSTRAINT `what_ifs_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `what_ifs_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `flag_answers_player` ON `flag_answers` (`player_id`,`said_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `what_ifs_player` ON `what_ifs` (`player_id`,`created_at`);