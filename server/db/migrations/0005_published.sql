CREATE TABLE IF NOT EXISTS `cell_words` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`club_id` uuid NOT NULL,
	`rung_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`kind` varchar(8) NOT NULL,
	`carry_m` double,
	`why` varchar(300) NOT NULL DEFAULT '',
	`said_at` datetime(3) NOT NULL,
	`holds` boolean NOT NULL DEFAULT true,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `cell_words_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `own_balls` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`link_id` uuid NOT NULL,
	`club_id` uuid NOT NULL,
	`rung_id` uuid NOT NULL,
	`carry_m` double NOT NULL,
	`method` varchar(8) NOT NULL,
	`hit_at` datetime(3) NOT NULL,
	`taken` boolean,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `own_balls_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `player_links` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`strength` varchar(4) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`revoked_at` datetime(3),
	`opened_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `player_links_id` PRIMARY KEY(`id`),
	CONSTRAINT `player_links_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `published_charts` (
	`id` uuid NOT NULL,
	`player_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`number` int NOT NULL,
	`published_at` datetime(3) NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `published_charts_id` PRIMARY KEY(`id`),
	CONSTRAINT `published_charts_number` UNIQUE(`player_id`,`number`)
);
--> statement-breakpoint
ALTER TABLE `cell_words` ADD CONSTRAINT `cell_words_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `cell_words_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cell_words` ADD CONSTRAINT `cell_words_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `cell_words_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cell_words` ADD CONSTRAINT `cell_words_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `cell_words_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cell_words` ADD CONSTRAINT `cell_words_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `cell_words_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_link_id_player_links_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_link_id_player_links_id_fk` (`link_id`) REFERENCES `player_links`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_club_id_clubs_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_club_id_clubs_id_fk` (`club_id`) REFERENCES `clubs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `own_balls` ADD CONSTRAINT `own_balls_rung_id_rungs_id_fk` FOREIGN KEY IF NOT EXISTS `own_balls_rung_id_rungs_id_fk` (`rung_id`) REFERENCES `rungs`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `player_links` ADD CONSTRAINT `player_links_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `player_links_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `player_links` ADD CONSTRAINT `player_links_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `player_links_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `published_charts` ADD CONSTRAINT `published_charts_player_id_players_id_fk` FOREIGN KEY IF NOT EXISTS `published_charts_player_id_players_id_fk` (`player_id`) REFERENCES `players`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `published_charts` ADD CONSTRAINT `published_charts_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS `published_charts_coach_id_coaches_id_fk` (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `cell_words_player` ON `cell_words` (`player_id`,`said_at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `own_balls_player` ON `own_balls` (`player_id`,`taken`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `player_links_player` ON `player_links` (`player_id`);