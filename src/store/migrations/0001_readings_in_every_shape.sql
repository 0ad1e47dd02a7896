ALTER TABLE `changes` ADD `by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `columns` ADD `colour` integer;--> statement-breakpoint
ALTER TABLE `columns` ADD `levels` text;--> statement-breakpoint
ALTER TABLE `columns` ADD `formula` text;--> statement-breakpoint
ALTER TABLE `columns` ADD `note` text;--> statement-breakpoint
ALTER TABLE `tables` ADD `shape` text DEFAULT 'columns' NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `average` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `spread` text DEFAULT 'sd' NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `level` real DEFAULT 0.95 NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `createdAt` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `origin` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `tables` ADD `deletedAt` text;