ALTER TABLE `result` ADD `target_xm` double;--> statement-breakpoint
ALTER TABLE `result` ADD `target_ym` double;--> statement-breakpoint
ALTER TABLE `result` ADD `target_width_m` double;--> statement-breakpoint
ALTER TABLE `result` ADD `target_depth_m` double;