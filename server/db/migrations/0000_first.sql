CREATE TABLE IF NOT EXISTS `academies` (
	`id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `academies_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `clubs` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`label` varchar(16) NOT NULL,
	`name` varchar(80) NOT NULL DEFAULT '',
	`loft_deg` double NOT NULL,
	`position` smallint NOT NULL,
	`retired` boolean NOT NULL DEFAULT false,
	CONSTRAINT `clubs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `coaches` (
	`id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`email` varchar(254) NOT NULL,
	`password_hash` varchar(255) NOT NULL,
	`sign_in_epoch` int NOT NULL DEFAULT 1,
	`unit` varchar(2) NOT NULL DEFAULT 'yd',
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `coaches_id` PRIMARY KEY(`id`),
	CONSTRAINT `coaches_email` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `players` (
	`id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`level` varchar(12) NOT NULL DEFAULT 'unknown',
	`note` varchar(300) NOT NULL DEFAULT '',
	`thresholds` json NOT NULL,
	`school` varchar(16),
	`bag_version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `players_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `rungs` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`label` varchar(16) NOT NULL,
	`cue` varchar(80) NOT NULL DEFAULT '',
	`school` varchar(16),
	`flight` varchar(6) NOT NULL DEFAULT 'normal',
	`fraction` double,
	`position` smallint NOT NULL,
	`retired` boolean NOT NULL DEFAULT false,
	CONSTRAINT `rungs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `sessions` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	`method` varchar(8) NOT NULL,
	`ball` varchar(6) NOT NULL,
	`surface` varchar(6) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `sessions_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `shots` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`session_id` uuid NOT NULL,
	`club_id` uuid NOT NULL,
	`rung_id` uuid NOT NULL,
	`carry_m` double NOT NULL,
	`method` varchar(8) NOT NULL,
	`balls` smallint NOT NULL DEFAULT 1,
	`hit_at` datetime(3) NOT NULL,
	`left_out` varchar(120),
	`deleted_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `shots_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `struck_out` (
	`club_id` uuid NOT NULL,
	`rung_id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	CONSTRAINT `struck_out_club_id_rung_id_pk` PRIMARY KEY(`club_id`,`rung_id`)
);
--> statement-breakpoint
ALTER TABLE `clubs` ADD CONSTRAINT `clubs_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `clubs_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `coaches` ADD CONSTRAINT `coaches_academy_id_academies_id_fk` FOREIGN KEY IF NOT EXISTS `coaches_academy_id_academies_id_fk` (`academy_id`) REFERENCES `academies`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `players` ADD CONSTRAINT `players_academy_id_academies_id_fk` FOREIGN KEY IF NOT EXISTS `players_academy_id_academies_id_fk` (`academy_id`) REFERENCES `academies`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rungs` ADD CONSTRAINT `rungs_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `rungs_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `sessions_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `sessions_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shots` ADD CONSTRAINT `shots_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `shots_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shots` ADD CONSTRAINT `shots_session_id_sessions_id_fk` FOREIGN KEY IF NOT EXISTS `shots_session_id_sessions_id_fk` (`session_id`) REFERENCES `sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shots` ADD CONSTRAINT `shots_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `shots_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shots` ADD CONSTRAINT `shots_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `shots_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `struck_out` ADD CONSTRAINT `struck_out_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `struck_out_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `struck_out` ADD CONSTRAINT `struck_out_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `struck_out_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `struck_out` ADD CONSTRAINT `struck_out_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `struck_out_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `clubs_player` ON `clubs` (`player_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `players_academy` ON `players` (`academy_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `rungs_player` ON `rungs` (`player_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `sessions_player` ON `sessions` (`player_id`,`started_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `shots_player` ON `shots` (`player_id`,`hit_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `shots_cell` ON `shots` (`club_id`,`rung_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `struck_out_player` ON `struck_out` (`player_id`);