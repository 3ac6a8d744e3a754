ALTER TABLE `players` ADD COLUMN IF NOT EXISTS `summary` json;--> statement-breakpoint
ALTER TABLE `shots` ADD COLUMN IF NOT EXISTS `strike` varchar(8);