CREATE TABLE `tune_up` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`machine_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`document` json NOT NULL,
	`tuned_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `tune_up_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `ball_stock` ADD `opened_on` varchar(10) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `ball_stock` ADD `drag_share` double DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `club` ADD `checks` json;--> statement-breakpoint
ALTER TABLE `court` ADD `marks_m` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `machine` ADD `dials` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `machine` ADD `today` json;--> statement-breakpoint
ALTER TABLE `outing` ADD `checks` json;--> statement-breakpoint
ALTER TABLE `tune_up` ADD CONSTRAINT `tune_up_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tune_up` ADD CONSTRAINT `tune_up_machine_id_machine_id_fk` FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tune_up` ADD CONSTRAINT `tune_up_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `tune_up_machine` ON `tune_up` (`machine_id`,`tuned_at`);