CREATE TABLE IF NOT EXISTS `drills` (
	`id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`name` varchar(60) NOT NULL,
	`spec` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `drills_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `goes` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid,
	`started_at` datetime(3) NOT NULL,
	`body` json NOT NULL,
	`version` int NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `goes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `homework` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`body` json NOT NULL,
	`withdrawn` boolean NOT NULL DEFAULT false,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `homework_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `drills` ADD CONSTRAINT `drills_academy_id_academies_id_fk` FOREIGN KEY IF NOT EXISTS (`academy_id`) REFERENCES `academies`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `goes` ADD CONSTRAINT `goes_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `goes` ADD CONSTRAINT `goes_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `homework` ADD CONSTRAINT `homework_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `homework` ADD CONSTRAINT `homework_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `drills_academy` ON `drills` (`academy_id`,`created_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `goes_player` ON `goes` (`player_id`,`started_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `homework_player` ON `homework` (`player_id`,`created_at`);