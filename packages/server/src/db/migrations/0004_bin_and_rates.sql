ALTER TABLE `projects` ADD `binned_at` text;--> statement-breakpoint
ALTER TABLE `projects` ADD `rates` text;