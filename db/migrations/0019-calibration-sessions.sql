-- Calibration sessions as they were done and evaluated. Append-only.
CREATE TABLE calibration_sessions (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  tool_id CHAR(36) CHARACTER SET ascii NOT NULL,
  done_on DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  body LONGTEXT NOT NULL,
  FOREIGN KEY (tool_id) REFERENCES tools (id),
  KEY calibration_sessions_by_tool (tool_id, done_on)
) ENGINE = InnoDB
