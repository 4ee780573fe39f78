CREATE TABLE `plan` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`ladder_id` char(36) NOT NULL,
	`starts_at` varchar(16) NOT NULL,
	`document` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `plan_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `squad` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`player_ids` json NOT NULL,
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `squad_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `ladder` ADD `origin` json;--> statement-breakpoint
ALTER TABLE `person` ADD `favourites` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `player` ADD `goals` varchar(500) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `player` ADD `avoid` varchar(500) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD CONSTRAINT `plan_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `plan` ADD CONSTRAINT `plan_ladder_id_ladder_id_fk` FOREIGN KEY (`ladder_id`) REFERENCES `ladder`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `squad` ADD CONSTRAINT `squad_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `plan_club` ON `plan` (`club_id`,`starts_at`);--> statement-breakpoint
CREATE INDEX `squad_club` ON `squad` (`club_id`);--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.order', JSON_OBJECT('kind', 'fixed')) WHERE JSON_VALUE(`document`, '$.order') = 'fixed';--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.order', JSON_OBJECT('kind', 'fixed')) WHERE JSON_VALUE(`card`, '$.order') = 'fixed';
