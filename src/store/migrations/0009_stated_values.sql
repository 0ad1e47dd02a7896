-- What one group was held against where nobody had said was assumed; its questions say it now.
UPDATE `questions` SET `question` = json_set(`question`, '$.value', CASE json_extract(`question`, '$.about') WHEN 'share' THEN 0.5 WHEN 'spread' THEN 1 ELSE 0 END) WHERE json_extract(`question`, '$.design') = 'one-sample' AND json_extract(`question`, '$.value') IS NULL AND json_extract(`question`, '$.about') <> 'table';
--> statement-breakpoint
UPDATE `events` SET `before` = json_set(`before`, '$.question.value', CASE json_extract(`before`, '$.question.about') WHEN 'share' THEN 0.5 WHEN 'spread' THEN 1 ELSE 0 END) WHERE json_extract(`before`, '$.question.design') = 'one-sample' AND json_extract(`before`, '$.question.value') IS NULL AND json_extract(`before`, '$.question.about') <> 'table';
--> statement-breakpoint
UPDATE `events` SET `after` = json_set(`after`, '$.question.value', CASE json_extract(`after`, '$.question.about') WHEN 'share' THEN 0.5 WHEN 'spread' THEN 1 ELSE 0 END) WHERE json_extract(`after`, '$.question.design') = 'one-sample' AND json_extract(`after`, '$.question.value') IS NULL AND json_extract(`after`, '$.question.about') <> 'table';
