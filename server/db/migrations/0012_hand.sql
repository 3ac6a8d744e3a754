ALTER TABLE `players` ADD COLUMN IF NOT EXISTS `hand` varchar(5) DEFAULT 'right' NOT NULL;
