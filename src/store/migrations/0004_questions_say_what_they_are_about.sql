-- A question about how large readings are said so by saying nothing.
UPDATE `questions` SET `question` = json_set(`question`, '$.about', 'value') WHERE json_extract(`question`, '$.about') IS NULL;
--> statement-breakpoint
UPDATE `events` SET `before` = json_set(`before`, '$.question.about', 'value') WHERE json_extract(`before`, '$.question.design') IS NOT NULL AND json_extract(`before`, '$.question.about') IS NULL;
--> statement-breakpoint
UPDATE `events` SET `after` = json_set(`after`, '$.question.about', 'value') WHERE json_extract(`after`, '$.question.design') IS NOT NULL AND json_extract(`after`, '$.question.about') IS NULL;
