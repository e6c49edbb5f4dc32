-- What happened to each tool outside jobs: added, changed, dropped, lent, calibrated. Append-only.
CREATE TABLE tool_events (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  tool_id CHAR(36) CHARACTER SET ascii NOT NULL,
  at DATETIME(6) NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  person_name VARCHAR(60) NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii NOT NULL,
  body LONGTEXT NOT NULL,
  FOREIGN KEY (tool_id) REFERENCES tools (id),
  KEY tool_events_by_tool (tool_id, id)
) ENGINE = InnoDB
