CREATE TABLE IF NOT EXISTS `second_factors` (
	`coach_id` uuid NOT NULL,
	`sealed` varchar(255) NOT NULL,
	`confirmed_at` datetime(3),
	`last_step` bigint NOT NULL DEFAULT 0,
	`spare` json NOT NULL DEFAULT ('[]'),
	CONSTRAINT `second_factors_coach_id` PRIMARY KEY(`coach_id`)
);
--> statement-breakpoint
ALTER TABLE `second_factors` ADD CONSTRAINT `second_factors_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;