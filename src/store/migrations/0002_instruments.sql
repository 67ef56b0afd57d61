CREATE TABLE `instruments` (
	`id` text PRIMARY KEY NOT NULL,
	`body` text NOT NULL,
	`removed_at` text
);
