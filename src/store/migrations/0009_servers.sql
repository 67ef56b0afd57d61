CREATE TABLE `servers` (
	`id` text PRIMARY KEY NOT NULL,
	`told_at` integer NOT NULL,
	`body` text NOT NULL
);
