CREATE TABLE `hand_offs` (
	`id` text PRIMARY KEY NOT NULL,
	`project_id` text NOT NULL,
	`label` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	`reason` text,
	`failed` integer NOT NULL,
	`document` text NOT NULL,
	FOREIGN KEY (`project_id`) REFERENCES `projects`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `hand_offs_by_project` ON `hand_offs` (`project_id`,`at`);