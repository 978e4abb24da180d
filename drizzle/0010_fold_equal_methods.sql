-- Every start once made a new version of every built-in method, equal to the one before. Of each run of equal versions
-- the first stays; what points at another of them points at that one.
INSERT INTO `folded_method_versions` (`id`, `into_id`)
SELECT d.`id`, (
  SELECT k.`id` FROM `method_versions` k
  WHERE k.`method_id` = d.`method_id` AND k.`number` > coalesce((
    SELECT max(x.`number`) FROM `method_versions` x
    WHERE x.`method_id` = d.`method_id` AND x.`number` < d.`number` AND x.`document` <> d.`document`
  ), 0)
  ORDER BY k.`number` LIMIT 1
)
FROM `method_versions` d
WHERE EXISTS (
  SELECT 1 FROM `method_versions` p
  WHERE p.`method_id` = d.`method_id` AND p.`number` = d.`number` - 1 AND p.`document` = d.`document`
);
--> statement-breakpoint
UPDATE `fittings` SET `method_version_id` = (
  SELECT f.`into_id` FROM `folded_method_versions` f WHERE f.`id` = `fittings`.`method_version_id`
) WHERE `method_version_id` IN (SELECT `id` FROM `folded_method_versions`);
--> statement-breakpoint
DELETE FROM `method_versions` WHERE `id` IN (SELECT `id` FROM `folded_method_versions`);
