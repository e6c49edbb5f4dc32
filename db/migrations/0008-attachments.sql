-- Photographs and documents of sources and tools, with a small picture for lists.
CREATE TABLE attachments (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  owner_kind VARCHAR(12) CHARACTER SET ascii NOT NULL,
  owner_id CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  media_type VARCHAR(40) CHARACTER SET ascii NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  size_bytes INT UNSIGNED NOT NULL,
  content LONGBLOB NOT NULL,
  thumbnail MEDIUMBLOB NULL,
  added_by VARCHAR(60) NOT NULL,
  added_at DATETIME(6) NOT NULL,
  KEY attachments_by_owner (owner_kind, owner_id)
) ENGINE = InnoDB
