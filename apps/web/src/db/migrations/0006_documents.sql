ALTER TABLE `court` MODIFY COLUMN `marks_m` json NOT NULL;--> statement-breakpoint
ALTER TABLE `machine` MODIFY COLUMN `dials` json NOT NULL;--> statement-breakpoint
ALTER TABLE `person` MODIFY COLUMN `favourites` json NOT NULL;--> statement-breakpoint
ALTER TABLE `result` ADD `feed_id` varchar(36);--> statement-breakpoint
ALTER TABLE `result` ADD `topspin_rpm` double;--> statement-breakpoint
ALTER TABLE `result` ADD `sidespin_rpm` double;--> statement-breakpoint
ALTER TABLE `result` ADD `gyro_rpm` double;--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[0].id', 'b1') WHERE JSON_EXISTS(`document`, '$.feeds[0]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[1].id', 'b2') WHERE JSON_EXISTS(`document`, '$.feeds[1]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[2].id', 'b3') WHERE JSON_EXISTS(`document`, '$.feeds[2]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[3].id', 'b4') WHERE JSON_EXISTS(`document`, '$.feeds[3]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[4].id', 'b5') WHERE JSON_EXISTS(`document`, '$.feeds[4]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[5].id', 'b6') WHERE JSON_EXISTS(`document`, '$.feeds[5]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[6].id', 'b7') WHERE JSON_EXISTS(`document`, '$.feeds[6]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[7].id', 'b8') WHERE JSON_EXISTS(`document`, '$.feeds[7]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[8].id', 'b9') WHERE JSON_EXISTS(`document`, '$.feeds[8]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[9].id', 'b10') WHERE JSON_EXISTS(`document`, '$.feeds[9]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[10].id', 'b11') WHERE JSON_EXISTS(`document`, '$.feeds[10]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[11].id', 'b12') WHERE JSON_EXISTS(`document`, '$.feeds[11]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[12].id', 'b13') WHERE JSON_EXISTS(`document`, '$.feeds[12]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[13].id', 'b14') WHERE JSON_EXISTS(`document`, '$.feeds[13]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[14].id', 'b15') WHERE JSON_EXISTS(`document`, '$.feeds[14]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[15].id', 'b16') WHERE JSON_EXISTS(`document`, '$.feeds[15]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[16].id', 'b17') WHERE JSON_EXISTS(`document`, '$.feeds[16]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[17].id', 'b18') WHERE JSON_EXISTS(`document`, '$.feeds[17]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[18].id', 'b19') WHERE JSON_EXISTS(`document`, '$.feeds[18]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[19].id', 'b20') WHERE JSON_EXISTS(`document`, '$.feeds[19]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[20].id', 'b21') WHERE JSON_EXISTS(`document`, '$.feeds[20]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[21].id', 'b22') WHERE JSON_EXISTS(`document`, '$.feeds[21]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[22].id', 'b23') WHERE JSON_EXISTS(`document`, '$.feeds[22]');--> statement-breakpoint
UPDATE `rung` SET `document` = JSON_SET(`document`, '$.feeds[23].id', 'b24') WHERE JSON_EXISTS(`document`, '$.feeds[23]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[0].id', 'b1') WHERE JSON_EXISTS(`card`, '$.feeds[0]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[1].id', 'b2') WHERE JSON_EXISTS(`card`, '$.feeds[1]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[2].id', 'b3') WHERE JSON_EXISTS(`card`, '$.feeds[2]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[3].id', 'b4') WHERE JSON_EXISTS(`card`, '$.feeds[3]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[4].id', 'b5') WHERE JSON_EXISTS(`card`, '$.feeds[4]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[5].id', 'b6') WHERE JSON_EXISTS(`card`, '$.feeds[5]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[6].id', 'b7') WHERE JSON_EXISTS(`card`, '$.feeds[6]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[7].id', 'b8') WHERE JSON_EXISTS(`card`, '$.feeds[7]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[8].id', 'b9') WHERE JSON_EXISTS(`card`, '$.feeds[8]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[9].id', 'b10') WHERE JSON_EXISTS(`card`, '$.feeds[9]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[10].id', 'b11') WHERE JSON_EXISTS(`card`, '$.feeds[10]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[11].id', 'b12') WHERE JSON_EXISTS(`card`, '$.feeds[11]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[12].id', 'b13') WHERE JSON_EXISTS(`card`, '$.feeds[12]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[13].id', 'b14') WHERE JSON_EXISTS(`card`, '$.feeds[13]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[14].id', 'b15') WHERE JSON_EXISTS(`card`, '$.feeds[14]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[15].id', 'b16') WHERE JSON_EXISTS(`card`, '$.feeds[15]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[16].id', 'b17') WHERE JSON_EXISTS(`card`, '$.feeds[16]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[17].id', 'b18') WHERE JSON_EXISTS(`card`, '$.feeds[17]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[18].id', 'b19') WHERE JSON_EXISTS(`card`, '$.feeds[18]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[19].id', 'b20') WHERE JSON_EXISTS(`card`, '$.feeds[19]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[20].id', 'b21') WHERE JSON_EXISTS(`card`, '$.feeds[20]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[21].id', 'b22') WHERE JSON_EXISTS(`card`, '$.feeds[21]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[22].id', 'b23') WHERE JSON_EXISTS(`card`, '$.feeds[22]');--> statement-breakpoint
UPDATE `round` SET `card` = JSON_SET(`card`, '$.feeds[23].id', 'b24') WHERE JSON_EXISTS(`card`, '$.feeds[23]');--> statement-breakpoint
UPDATE `club` SET `checks` = CONCAT('{"version":1,"document":', `checks`, '}') WHERE `checks` IS NOT NULL;--> statement-breakpoint
UPDATE `person` SET `favourites` = CONCAT('{"version":1,"document":', `favourites`, '}') WHERE `favourites` IS NOT NULL;--> statement-breakpoint
UPDATE `squad` SET `player_ids` = CONCAT('{"version":1,"document":', `player_ids`, '}') WHERE `player_ids` IS NOT NULL;--> statement-breakpoint
UPDATE `court` SET `marks_m` = CONCAT('{"version":1,"document":', `marks_m`, '}') WHERE `marks_m` IS NOT NULL;--> statement-breakpoint
UPDATE `game_ball` SET `document` = CONCAT('{"version":1,"document":', `document`, '}') WHERE `document` IS NOT NULL;--> statement-breakpoint
UPDATE `machine` SET `profile` = CONCAT('{"version":1,"document":', `profile`, '}') WHERE `profile` IS NOT NULL;--> statement-breakpoint
UPDATE `machine` SET `dials` = CONCAT('{"version":1,"document":', `dials`, '}') WHERE `dials` IS NOT NULL;--> statement-breakpoint
UPDATE `machine` SET `today` = CONCAT('{"version":1,"document":', `today`, '}') WHERE `today` IS NOT NULL;--> statement-breakpoint
UPDATE `tune_up` SET `document` = CONCAT('{"version":1,"document":', `document`, '}') WHERE `document` IS NOT NULL;--> statement-breakpoint
UPDATE `ladder` SET `origin` = CONCAT('{"version":1,"document":', `origin`, '}') WHERE `origin` IS NOT NULL;--> statement-breakpoint
UPDATE `rung` SET `document` = CONCAT('{"version":1,"document":', `document`, '}') WHERE `document` IS NOT NULL;--> statement-breakpoint
UPDATE `plan` SET `document` = CONCAT('{"version":1,"document":', `document`, '}') WHERE `document` IS NOT NULL;--> statement-breakpoint
UPDATE `outing` SET `checks` = CONCAT('{"version":1,"document":', `checks`, '}') WHERE `checks` IS NOT NULL;--> statement-breakpoint
UPDATE `round` SET `card` = CONCAT('{"version":1,"document":', `card`, '}') WHERE `card` IS NOT NULL;--> statement-breakpoint
UPDATE `round` SET `weather` = CONCAT('{"version":1,"document":', `weather`, '}') WHERE `weather` IS NOT NULL;
