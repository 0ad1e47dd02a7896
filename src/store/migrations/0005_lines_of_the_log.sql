ALTER TABLE `changes` ADD `line` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `changes` ADD `steps` integer;--> statement-breakpoint
ALTER TABLE `changes` ADD `forgotten` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `events` ADD `line` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `studies` ADD `lines` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `line` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
-- What was done before lines were numbered stands in the order of its times.
CREATE TABLE `numbering` AS
SELECT `kind`, `id`, `study`, row_number() OVER (PARTITION BY `study` ORDER BY `at`, `rank`, `id`) AS `line` FROM (
  SELECT 'table' AS `kind`, `rowid` AS `id`, `studyId` AS `study`, `createdAt` AS `at`, 0 AS `rank` FROM `tables`
  UNION ALL SELECT 'change', `changes`.`id`, `tables`.`studyId`, `changes`.`at`, 1 FROM `changes` JOIN `tables` ON `tables`.`id` = `changes`.`tableId`
  UNION ALL SELECT 'event', `id`, `studyId`, `at`, 2 FROM `events`
);--> statement-breakpoint
CREATE UNIQUE INDEX `numbering_by_id` ON `numbering` (`kind`, `id`);--> statement-breakpoint
UPDATE `tables` SET `line` = (SELECT `line` FROM `numbering` WHERE `kind` = 'table' AND `numbering`.`id` = `tables`.`rowid`);--> statement-breakpoint
UPDATE `changes` SET `line` = (SELECT `line` FROM `numbering` WHERE `kind` = 'change' AND `numbering`.`id` = `changes`.`id`);--> statement-breakpoint
UPDATE `events` SET `line` = (SELECT `line` FROM `numbering` WHERE `kind` = 'event' AND `numbering`.`id` = `events`.`id`);--> statement-breakpoint
UPDATE `studies` SET `lines` = (SELECT count(*) FROM `numbering` WHERE `study` = `studies`.`id`);--> statement-breakpoint
DROP TABLE `numbering`;
