ALTER TABLE `players` ADD `summary` json;--> statement-breakpoint
ALTER TABLE `shots` ADD `strike` varchar(8);