ALTER TABLE `coaches` ADD COLUMN IF NOT EXISTS `lock_in` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `rungs` ADD COLUMN IF NOT EXISTS `feels` varchar(80) DEFAULT '' NOT NULL;