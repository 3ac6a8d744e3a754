CREATE TABLE IF NOT EXISTS `device_aims` (
	`device_id` uuid NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`player_id` uuid,
	`session_id` uuid,
	`club_id` uuid,
	`rung_id` uuid,
	CONSTRAINT `device_aims_device_id_from_at_pk` PRIMARY KEY(`device_id`,`from_at`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `devices` (
	`id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`revoked_at` datetime(3),
	`heard_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `devices_id` PRIMARY KEY(`id`),
	CONSTRAINT `devices_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `shots` ADD COLUMN IF NOT EXISTS `readings` json;--> statement-breakpoint
ALTER TABLE `device_aims` ADD CONSTRAINT `device_aims_device_id_devices_id_fk` FOREIGN KEY IF NOT EXISTS `device_aims_device_id_devices_id_fk` (`device_id`) REFERENCES `devices`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `device_aims` ADD CONSTRAINT `device_aims_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `device_aims_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `device_aims` ADD CONSTRAINT `device_aims_session_id_sessions_id_fk` FOREIGN KEY IF NOT EXISTS `device_aims_session_id_sessions_id_fk` (`session_id`) REFERENCES `sessions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `device_aims` ADD CONSTRAINT `device_aims_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `device_aims_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `device_aims` ADD CONSTRAINT `device_aims_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `device_aims_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `devices` ADD CONSTRAINT `devices_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `devices_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `devices_coach` ON `devices` (`coach_id`);