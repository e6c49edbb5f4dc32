-- Every pull with a tool, for counting uses and for recalls. Follows from the events. The index holds all a recall reads.
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
  KEY pulls_by_tool (tool_id, pulled_at, is_voided, job_id, shown_newton_metres, torque_newton_metres,
                     low_newton_metres, high_newton_metres),
  KEY pulls_by_job (job_id, position)
) ENGINE = InnoDB
