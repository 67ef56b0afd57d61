CREATE TABLE `builds` (
	`id` text PRIMARY KEY NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`removed_at` text,
	`name` text DEFAULT '' NOT NULL,
	`customer` text DEFAULT '' NOT NULL,
	`engine` text DEFAULT '' NOT NULL,
	`search` text DEFAULT '' NOT NULL,
	`units` text DEFAULT 'metric' NOT NULL,
	`bore_nm` integer,
	`duty` text,
	`done` integer DEFAULT 0 NOT NULL,
	`total` integer DEFAULT 0 NOT NULL,
	`stops` integer DEFAULT 0 NOT NULL,
	`judged_seq` integer DEFAULT 0 NOT NULL,
	`last_seq` integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `builds_updated` ON `builds` (`updated_at`);--> statement-breakpoint
CREATE INDEX `builds_stale` ON `builds` (`judged_seq`,`last_seq`);--> statement-breakpoint
CREATE TABLE `log` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`build_id` text NOT NULL,
	`entry_id` text NOT NULL,
	`kind` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `log_entry` ON `log` (`build_id`,`entry_id`);--> statement-breakpoint
CREATE INDEX `log_build` ON `log` (`build_id`,`seq`);