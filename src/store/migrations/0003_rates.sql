CREATE TABLE `rates` (
	`build_id` text NOT NULL,
	`filer` text NOT NULL,
	`metal` text NOT NULL,
	`cuts` integer NOT NULL,
	`xx` real NOT NULL,
	`xy` real NOT NULL,
	`yy` real NOT NULL,
	PRIMARY KEY(`build_id`, `filer`, `metal`)
);
