CREATE TABLE IF NOT EXISTS `programs` (
	`id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`name` varchar(80) NOT NULL,
	`scope` varchar(5) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`revoked_at` datetime(3),
	`used_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `programs_id` PRIMARY KEY(`id`),
	CONSTRAINT `programs_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `programs` ADD CONSTRAINT `programs_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `programs_coach` ON `programs` (`coach_id`);