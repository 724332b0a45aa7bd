CREATE TABLE `forecasts` (
	`key` text PRIMARY KEY NOT NULL,
	`forecast` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `projects` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`document` text NOT NULL,
	`revision` integer NOT NULL,
	`slots` integer NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `revisions` (
	`project_id` text NOT NULL,
	`revision` integer NOT NULL,
	`edit_id` text NOT NULL,
	`edit` text NOT NULL,
	`inverse` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`project_id`, `revision`),
	FOREIGN KEY (`project_id`) REFERENCES `projects`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `revisions_by_edit` ON `revisions` (`project_id`,`edit_id`);