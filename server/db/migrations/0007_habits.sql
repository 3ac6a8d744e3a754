ALTER TABLE `coaches` ADD `lock_in` json DEFAULT ('{}') NOT NULL;--> statement-breakpoint
ALTER TABLE `rungs` ADD `feels` varchar(80) DEFAULT '' NOT NULL;