CREATE TABLE `correction` (
	`id` char(36) NOT NULL,
	`club_id` char(36) NOT NULL,
	`round_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`what` varchar(12) NOT NULL,
	`seq` int,
	`was` varchar(1000) NOT NULL,
	`became` varchar(1000) NOT NULL,
	`created_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`updated_at` datetime(3) NOT NULL DEFAULT (utc_timestamp(3)),
	`deleted_at` datetime(3),
	CONSTRAINT `correction_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `round` ADD `notes` varchar(1000) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `round` ADD `source` varchar(12) DEFAULT 'court' NOT NULL;--> statement-breakpoint
ALTER TABLE `correction` ADD CONSTRAINT `correction_club_id_club_id_fk` FOREIGN KEY (`club_id`) REFERENCES `club`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `correction` ADD CONSTRAINT `correction_round_id_round_id_fk` FOREIGN KEY (`round_id`) REFERENCES `round`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `correction` ADD CONSTRAINT `correction_person_id_person_id_fk` FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `correction_round` ON `correction` (`round_id`,`created_at`);