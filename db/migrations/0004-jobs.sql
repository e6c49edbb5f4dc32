-- The head of each job's chain, locked while events are appended, with what lists show of it. All but `number` follows from the events.
CREATE TABLE jobs (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  number INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  head_sequence INT UNSIGNED NOT NULL DEFAULT 0,
  head_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  title VARCHAR(120) NOT NULL DEFAULT '',
  stage VARCHAR(20) CHARACTER SET ascii NOT NULL DEFAULT 'planned',
  fasteners_total INT UNSIGNED NOT NULL DEFAULT 0,
  fasteners_in INT UNSIGNED NOT NULL DEFAULT 0,
  fasteners_left_open INT UNSIGNED NOT NULL DEFAULT 0,
  last_person VARCHAR(60) NOT NULL DEFAULT '',
  last_event_at DATETIME(6) NOT NULL,
  KEY jobs_by_last_event (last_event_at)
) ENGINE = InnoDB
