ALTER TABLE `ladder` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `result` ADD `hit` boolean;--> statement-breakpoint
UPDATE `result` SET `hit` = CASE `outcome` WHEN 'in' THEN 1 WHEN 'near' THEN 0 WHEN 'out' THEN 0 ELSE NULL END;--> statement-breakpoint
CREATE INDEX `round_newest` ON `round` (`club_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `round_rung` ON `round` (`rung_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `round_player` ON `round` (`player_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `round_court` ON `round` (`court_id`,`started_at`,`id`);--> statement-breakpoint
DROP INDEX `round_club` ON `round`;
