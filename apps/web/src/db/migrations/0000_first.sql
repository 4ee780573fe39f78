CREATE TABLE `ball_stock` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`ball_id` varchar(40) NOT NULL,
	`count` int NOT NULL,
	`condition` varchar(12) NOT NULL,
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `ball_stock_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `club` (
	`id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`altitude_m` double NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	CONSTRAINT `club_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `court` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`sport` varchar(12) NOT NULL,
	`surface_id` varchar(40) NOT NULL,
	`indoor` boolean NOT NULL DEFAULT false,
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `court_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `ladder` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`sport` varchar(12) NOT NULL,
	`level` varchar(12) NOT NULL,
	`approach` varchar(12) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `ladder_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `machine` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`profile` json NOT NULL,
	`link_address` varchar(60) NOT NULL DEFAULT '',
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `machine_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `membership` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`role` varchar(12) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	CONSTRAINT `membership_id` PRIMARY KEY(`id`),
	CONSTRAINT `membership_once` UNIQUE(`club_id`,`person_id`)
);
--> statement-breakpoint
CREATE TABLE `outing` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `outing_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`email` varchar(200) NOT NULL,
	`units` varchar(12) NOT NULL DEFAULT 'imperial',
	`theme` varchar(12) NOT NULL DEFAULT 'chalk',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	CONSTRAINT `person_id` PRIMARY KEY(`id`),
	CONSTRAINT `person_email` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE `player` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`level` varchar(12) NOT NULL,
	`hand` varchar(5) NOT NULL,
	`height_m` double NOT NULL,
	`notes` varchar(500) NOT NULL DEFAULT '',
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `player_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `result` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`round_id` char(36) NOT NULL,
	`seq` int NOT NULL,
	`outcome` varchar(12) NOT NULL,
	`speed_mps` double,
	`elevation_deg` double,
	`bearing_deg` double,
	`radar_mps` double,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `result_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `round` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`outing_id` char(36) NOT NULL,
	`rung_id` char(36) NOT NULL,
	`player_id` char(36) NOT NULL,
	`machine_id` char(36) NOT NULL,
	`court_id` char(36) NOT NULL,
	`card` json NOT NULL,
	`weather` json NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`finished_at` datetime(3),
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `round_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `rung` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`ladder_id` char(36) NOT NULL,
	`position` int NOT NULL,
	`document` json NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `rung_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `session` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`token_hash` char(64) NOT NULL,
	`one_time` boolean NOT NULL DEFAULT false,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	CONSTRAINT `session_id` PRIMARY KEY(`id`),
	CONSTRAINT `session_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
ALTER TABLE `ball_stock` ADD CONSTRAINT `ball_stock_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `court` ADD CONSTRAINT `court_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `ladder` ADD CONSTRAINT `ladder_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `machine` ADD CONSTRAINT `machine_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `membership` ADD CONSTRAINT `membership_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `outing` ADD CONSTRAINT `outing_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `outing` ADD CONSTRAINT `outing_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `player` ADD CONSTRAINT `player_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `result` ADD CONSTRAINT `result_round_id_round_id_fk` FOREIGN KEY (`round_id`) REFERENCES `round`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_outing_id_outing_id_fk` FOREIGN KEY (`outing_id`) REFERENCES `outing`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_rung_id_rung_id_fk` FOREIGN KEY (`rung_id`) REFERENCES `rung`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_player_id_player_id_fk` FOREIGN KEY (`player_id`) REFERENCES `player`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_machine_id_machine_id_fk` FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `round` ADD CONSTRAINT `round_court_id_court_id_fk` FOREIGN KEY (`court_id`) REFERENCES `court`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rung` ADD CONSTRAINT `rung_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `rung` ADD CONSTRAINT `rung_ladder_id_ladder_id_fk` FOREIGN KEY (`ladder_id`) REFERENCES `ladder`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `ball_stock_club` ON `ball_stock` (`club_id`);--> statement-breakpoint
CREATE INDEX `court_club` ON `court` (`club_id`);--> statement-breakpoint
CREATE INDEX `ladder_club` ON `ladder` (`club_id`);--> statement-breakpoint
CREATE INDEX `machine_club` ON `machine` (`club_id`);--> statement-breakpoint
CREATE INDEX `outing_club` ON `outing` (`club_id`,`started_at`);--> statement-breakpoint
CREATE INDEX `player_club` ON `player` (`club_id`);--> statement-breakpoint
CREATE INDEX `result_round` ON `result` (`round_id`,`seq`);--> statement-breakpoint
CREATE INDEX `round_club` ON `round` (`club_id`,`started_at`);--> statement-breakpoint
CREATE INDEX `rung_ladder` ON `rung` (`ladder_id`,`position`);