CREATE TABLE `game_event_counts` (
	`project_id` text NOT NULL,
	`day` text NOT NULL,
	`events` integer NOT NULL,
	`attempts` integer NOT NULL,
	`kept` integer NOT NULL,
	`characters` integer NOT NULL,
	PRIMARY KEY(`project_id`, `day`),
	FOREIGN KEY (`project_id`) REFERENCES `projects`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
DROP INDEX `game_events_by_time`;--> statement-breakpoint
CREATE INDEX `game_events_by_time` ON `game_events` (`project_id`,`at`,`source`,`id`);--> statement-breakpoint
INSERT INTO `game_event_counts` (`project_id`, `day`, `events`, `attempts`, `kept`, `characters`)
SELECT `project_id`, substr(`at`, 1, 10), count(*), sum(`type` = 'attempt.ended'), count(*), sum(length(`data`))
FROM `game_events` GROUP BY `project_id`, substr(`at`, 1, 10);
