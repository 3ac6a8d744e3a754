ALTER TABLE `shots` ADD COLUMN IF NOT EXISTS `changed_at` datetime(3) NOT NULL DEFAULT current_timestamp(3) ON UPDATE current_timestamp(3);--> statement-breakpoint
ALTER TABLE `players` ADD COLUMN IF NOT EXISTS `shot_count` json;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `shots_changed` ON `shots` (`player_id`,`changed_at`);
