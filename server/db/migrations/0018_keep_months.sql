ALTER TABLE `academies` ADD COLUMN IF NOT EXISTS `keep_months` int;--> statement-breakpoint
ALTER TABLE `academies` ADD COLUMN IF NOT EXISTS `keep_set_at` datetime(3);--> statement-breakpoint
ALTER TABLE `academies` ADD COLUMN IF NOT EXISTS `keep_set_by` uuid;