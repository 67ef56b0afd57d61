ALTER TABLE `builds` ADD `load` real;--> statement-breakpoint
ALTER TABLE `builds` ADD `construction` text;--> statement-breakpoint
ALTER TABLE `builds` ADD `top_factor` real;--> statement-breakpoint
ALTER TABLE `builds` ADD `second_factor` real;--> statement-breakpoint
-- What was fitted is worked out of every log anew.
UPDATE `builds` SET `judged_seq` = 0;
