CREATE TABLE `game_events` (
	`project_id` text NOT NULL,
	`source` text NOT NULL,
	`id` text NOT NULL,
	`type` text NOT NULL,
	`slot` text,
	`at` text NOT NULL,
	`data` text NOT NULL,
	PRIMARY KEY(`project_id`, `source`, `id`),
	FOREIGN KEY (`project_id`) REFERENCES `projects`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `game_events_by_slot` ON `game_events` (`project_id`,`slot`,`at`);--> statement-breakpoint
CREATE INDEX `game_events_by_time` ON `game_events` (`project_id`,`at`);