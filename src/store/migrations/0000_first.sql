CREATE TABLE `cell_runs` (
	`tableId` text NOT NULL,
	`columnId` text NOT NULL,
	`run` integer NOT NULL,
	`cells` text NOT NULL,
	`aside` text NOT NULL,
	PRIMARY KEY(`tableId`, `columnId`, `run`),
	FOREIGN KEY (`tableId`) REFERENCES `tables`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`tableId` text NOT NULL,
	`at` text NOT NULL,
	`edits` text NOT NULL,
	`inverse` text NOT NULL,
	`undone` integer NOT NULL,
	FOREIGN KEY (`tableId`) REFERENCES `tables`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `changes_by_table` ON `changes` (`tableId`,`undone`);--> statement-breakpoint
CREATE TABLE `columns` (
	`id` text NOT NULL,
	`tableId` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`unit` text NOT NULL,
	`role` text NOT NULL,
	`decimal` text NOT NULL,
	PRIMARY KEY(`tableId`, `id`),
	FOREIGN KEY (`tableId`) REFERENCES `tables`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `figures` (
	`id` text PRIMARY KEY NOT NULL,
	`studyId` text NOT NULL,
	`questionId` text NOT NULL,
	`position` integer NOT NULL,
	`style` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`studyId`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`questionId`) REFERENCES `questions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `figures_by_study` ON `figures` (`studyId`);--> statement-breakpoint
CREATE TABLE `questions` (
	`id` text PRIMARY KEY NOT NULL,
	`studyId` text NOT NULL,
	`tableId` text NOT NULL,
	`position` integer NOT NULL,
	`question` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`studyId`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`tableId`) REFERENCES `tables`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `questions_by_study` ON `questions` (`studyId`);--> statement-breakpoint
CREATE TABLE `studies` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`createdAt` text NOT NULL,
	`changedAt` text NOT NULL,
	`deletedAt` text
);
--> statement-breakpoint
CREATE TABLE `tables` (
	`id` text PRIMARY KEY NOT NULL,
	`studyId` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`measure` text NOT NULL,
	`subject` text NOT NULL,
	`rowCount` integer NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`studyId`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `tables_by_study` ON `tables` (`studyId`);