ALTER TABLE `changes` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `changes` ADD `given` text DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `changes_by_given` ON `changes` (`tableId`,`given`);