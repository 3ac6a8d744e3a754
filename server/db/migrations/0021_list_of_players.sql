CREATE INDEX IF NOT EXISTS `shots_of_player` ON `shots` (`player_id`,`hit_at`,`deleted_at`,`balls`,`version`);--> statement-breakpoint
DROP INDEX IF EXISTS `shots_player` ON `shots`;
