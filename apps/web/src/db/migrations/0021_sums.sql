ALTER TABLE `round` ADD `hits` smallint unsigned DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `round` ADD `balls` smallint unsigned DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `round` ADD `swings` smallint unsigned DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `round` ADD `gate_hits` smallint unsigned DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `round` ADD `gate_balls` smallint unsigned DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `round` `r` JOIN (
	SELECT `round_id`, COALESCE(SUM(`hit`), 0) AS `hits`, COUNT(`hit`) AS `balls`, SUM(`outcome` NOT IN ('let-go', 'not-fed')) AS `swings`,
		COALESCE(SUM(IF(`target_xm` IS NULL, `hit`, 0)), 0) AS `gate_hits`, COUNT(IF(`target_xm` IS NULL, `hit`, NULL)) AS `gate_balls`
	FROM `result` WHERE `deleted_at` IS NULL GROUP BY `round_id`
) `s` ON `s`.`round_id` = `r`.`id`
SET `r`.`hits` = `s`.`hits`, `r`.`balls` = `s`.`balls`, `r`.`swings` = `s`.`swings`, `r`.`gate_hits` = `s`.`gate_hits`, `r`.`gate_balls` = `s`.`gate_balls`;
