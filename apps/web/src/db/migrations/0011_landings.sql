ALTER TABLE `result` ADD `land_xm` double;--> statement-breakpoint
ALTER TABLE `result` ADD `land_ym` double;