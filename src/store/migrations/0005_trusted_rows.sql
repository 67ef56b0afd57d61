ALTER TABLE `log` ADD `shape` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `log_kind` ON `log` (`build_id`,`kind`,`seq`);