-- When a person left, how many digits their PIN has (null: from before it was noted), whether it is a program that asks with a token, and what strangers have
-- tried for them, which takes the place of one lock for all.
ALTER TABLE people
  ADD COLUMN left_at DATETIME(6) NULL,
  ADD COLUMN pin_digits TINYINT UNSIGNED NULL,
  ADD COLUMN is_program BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN stranger_tries DOUBLE NOT NULL DEFAULT 0,
  ADD COLUMN stranger_tried_at DATETIME(6) NULL,
  DROP COLUMN wrong_tries,
  DROP COLUMN locked_until
