-- Backups made before this one held sessions and the secret that signs them: both are worth nothing from here on.
DELETE FROM `sessions`;--> statement-breakpoint
DELETE FROM `verifications`;--> statement-breakpoint
DELETE FROM `shop` WHERE `key` = 'secret';
