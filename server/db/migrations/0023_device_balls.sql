CREATE TABLE IF NOT EXISTS `device_balls` (
	`id` uuid NOT NULL,
	`device_id` uuid NOT NULL,
	`coach_id` uuid NOT NULL,
	`hit_at` datetime(3) NOT NULL,
	`ball` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT current_timestamp(3),
	CONSTRAINT `device_balls_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `device_balls` ADD CONSTRAINT `device_balls_device_id_devices_id_fk` FOREIGN KEY IF NOT EXISTS (`device_id`) REFERENCES `devices`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `device_balls` ADD CONSTRAINT `device_balls_coach_id_coaches_id_fk` FOREIGN KEY IF NOT EXISTS (`coach_id`) REFERENCES `coaches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `device_balls_coach` ON `device_balls` (`coach_id`,`created_at`);