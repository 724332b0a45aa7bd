ALTER TABLE `projects` ADD `document_revision` integer DEFAULT 0 NOT NULL;
--> statement-breakpoint
UPDATE `projects` SET `document_revision` = `revision`;
