ALTER TABLE `session` ADD `seen_at` datetime(3) DEFAULT (utc_timestamp(3)) NOT NULL;--> statement-breakpoint
CREATE INDEX `session_person` ON `session` (`person_id`);