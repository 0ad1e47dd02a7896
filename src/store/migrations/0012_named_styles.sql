CREATE TABLE `named_styles` (
	`name` text PRIMARY KEY NOT NULL,
	`style` text NOT NULL
);
