-- Which process chains and witnesses: one at a time, until when it may.
CREATE TABLE site_sealer (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY DEFAULT 1,
  holder CHAR(36) CHARACTER SET ascii NULL,
  held_until DATETIME(6) NULL,
  CHECK (id = 1)
) ENGINE = InnoDB
