CREATE TABLE `charts` (
	`id` text NOT NULL,
	`version` integer NOT NULL,
	`name` text NOT NULL,
	`body` text NOT NULL,
	`removed_at` text,
	PRIMARY KEY(`id`, `version`)
);
--> statement-breakpoint
CREATE TABLE `shop` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
