ALTER TABLE `ball_stock` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `court` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `game_ball` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `machine` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `plan` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `player` ADD `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `result` ADD `replaced_by` char(36);--> statement-breakpoint
ALTER TABLE `squad` ADD `version` int DEFAULT 1 NOT NULL;