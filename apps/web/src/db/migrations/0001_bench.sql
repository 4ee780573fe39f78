CREATE TABLE `game_ball` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`document` json NOT NULL,
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `game_ball_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `court` ADD `ceiling_m` double;--> statement-breakpoint
ALTER TABLE `game_ball` ADD CONSTRAINT `game_ball_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `game_ball_club` ON `game_ball` (`club_id`);