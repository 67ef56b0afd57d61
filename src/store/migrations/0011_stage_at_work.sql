ALTER TABLE `builds` ADD `stage` text;--> statement-breakpoint
-- The stage that the work is at is worked out of every log anew.
UPDATE `builds` SET `judged_seq` = 0;
