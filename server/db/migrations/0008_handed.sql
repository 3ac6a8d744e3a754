ALTER TABLE `what_ifs` ADD `page` json;--> statement-breakpoint
ALTER TABLE `what_ifs` ADD `handed_at` datetime(3);