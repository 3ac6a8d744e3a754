ALTER TABLE `what_ifs` ADD COLUMN IF NOT EXISTS `page` json;--> statement-breakpoint
ALTER TABLE `what_ifs` ADD COLUMN IF NOT EXISTS `handed_at` datetime(3);