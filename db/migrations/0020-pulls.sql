-- Every pull with a tool, for the work lists of recalls. Follows from the events.
CREATE TABLE pulls (
  event_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  tool_id CHAR(36) CHARACTER SET ascii NOT NULL,
  job_id CHAR(36) CHARACTER SET ascii NOT NULL,
  position VARCHAR(40) NOT NULL,
  pulled_at DATETIME(6) NOT NULL,
  shown_newton_metres DOUBLE NOT NULL,
  torque_newton_metres DOUBLE NOT NULL,
  low_newton_metres DOUBLE NOT NULL,
  high_newton_metres DOUBLE NOT NULL,
  outcome VARCHAR(12) CHARACTER SET ascii NOT NULL,
  is_voided BOOLEAN NOT NULL DEFAULT FALSE,
  KEY pulls_by_tool (tool_id, pulled_at),
  KEY pulls_by_job (job_id, tool_id, pulled_at)
) ENGINE = InnoDB
