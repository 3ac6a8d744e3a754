CREATE TABLE IF NOT EXISTS `limits` (
	`key` varchar(255) NOT NULL,
	`points` int NOT NULL DEFAULT 0,
	`expire` bigint unsigned,
	CONSTRAINT `limits_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
ALTER TABLE `own_balls` DROP FOREIGN KEY IF EXISTS `own_balls_club_id_clubs_id_fk`;
--> statement-breakpoint
ALTER TABLE `own_balls` DROP FOREIGN KEY IF EXISTS `own_balls_rung_id_rungs_id_fk`;
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `limits_expire` ON `limits` (`expire`);--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE no action ON UPDATE no action;