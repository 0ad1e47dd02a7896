CREATE TABLE `events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`studyId` text NOT NULL,
	`at` text NOT NULL,
	`by` text DEFAULT '' NOT NULL,
	`kind` text NOT NULL,
	`subject` text NOT NULL,
	`before` text,
	`after` text,
	FOREIGN KEY (`studyId`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `events_by_study` ON `events` (`studyId`);--> statement-breakpoint
CREATE TABLE `write_ups` (
	`studyId` text PRIMARY KEY NOT NULL,
	`writeUp` text NOT NULL,
	`revision` integer NOT NULL,
	FOREIGN KEY (`studyId`) REFERENCES `studies`(`id`) ON UPDATE no action ON DELETE cascade
);
