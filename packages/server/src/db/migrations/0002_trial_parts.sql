CREATE TABLE `trial_parts` (
	`key` text PRIMARY KEY NOT NULL,
	`tally` text NOT NULL,
	`at` text NOT NULL
);
