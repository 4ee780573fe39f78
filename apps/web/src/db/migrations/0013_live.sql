CREATE TABLE `live` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`shown` json NOT NULL,
	`shown_at` datetime(3) NOT NULL,
	`wish` json,
	`followed_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `live_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `live` ADD CONSTRAINT `live_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `live_shown` ON `live` (`club_id`,`shown_at`);