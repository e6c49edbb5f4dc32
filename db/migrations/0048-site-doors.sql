-- How many digits a new PIN has at least, and after how many minutes without anybody's doing a session ends; null: as the site was shipped.
ALTER TABLE site
  ADD COLUMN pin_digits TINYINT UNSIGNED NULL,
  ADD COLUMN idle_minutes SMALLINT UNSIGNED NULL
