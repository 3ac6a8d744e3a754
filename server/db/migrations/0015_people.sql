CREATE TABLE IF NOT EXISTS `erasures` (
	`player_id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`erased_by` uuid NOT NULL,
	`erased_at` datetime(3) NOT NULL,
	CONSTRAINT `erasures_player_id` PRIMARY KEY(`player_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `invitations` (
	`id` uuid NOT NULL,
	`academy_id` uuid NOT NULL,
	`made_by` uuid NOT NULL,
	`role` varchar(9) NOT NULL,
	`for_whom` varchar(80) NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`closed_at` datetime(3),
	CONSTRAINT `invitations_id` PRIMARY KEY(`id`),
	CONSTRAINT `invitations_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `sign_ins` (
	`id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`device` varchar(80) NOT NULL,
	`begun_at` datetime(3) NOT NULL,
	`seen_at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `sign_ins_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `academies` ADD COLUMN IF NOT EXISTS `coaches_see` varchar(3) DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE `coaches` ADD COLUMN IF NOT EXISTS `role` varchar(9) DEFAULT 'owner' NOT NULL;--> statement-breakpoint
ALTER TABLE `coaches` ADD COLUMN IF NOT EXISTS `left_at` datetime(3);--> statement-breakpoint
ALTER TABLE `players` ADD COLUMN IF NOT EXISTS `coach_id` uuid;--> statement-breakpoint
ALTER TABLE `invitations` ADD CONSTRAINT `invitations_academy_id_academies_id_fk` FOREIGN KEY IF NOT EXISTS (`academy_id`) REFERENCES `academies`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitations` ADD CONSTRAINT `invitations_made_by_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`made_by`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_ins` ADD CONSTRAINT `sign_ins_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `invitations_academy` ON `invitations` (`academy_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `sign_ins_coach` ON `sign_ins` (`coach_id`,`seen_at`);--> statement-breakpoint
ALTER TABLE `players` ADD CONSTRAINT `players_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- Until now an academy had one coach: all of its players are theirs.
UPDATE `players` p SET `coach_id` = (SELECT MIN(c.`id`) FROM `coaches` c WHERE c.`academy_id` = p.`academy_id`) WHERE p.`coach_id` IS NULL;
