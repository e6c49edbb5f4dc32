-- Every pull with a tool, for the work lists of recalls. Follows from the events. Torques are null where a pull has none: an over-shot.
-- `recorded` is what the record states; `torque` is before any known error was taken off, since a recall applies the whole error it found.
CREATE TABLE pulls (
  event_id BINARY(16) NOT NULL PRIMARY KEY,
  tool_id BINARY(16) NOT NULL,
  job_id BINARY(16) NOT NULL,
  person_id BINARY(16) NOT NULL,
  device_id BINARY(16) NULL,
  position VARCHAR(40) NOT NULL,
  label VARCHAR(120) NOT NULL,
  pulled_at DATETIME(6) NOT NULL,
  shown_newton_metres DOUBLE NULL,
  torque_newton_metres DOUBLE NULL,
  recorded_newton_metres DOUBLE NULL,
  low_newton_metres DOUBLE NULL,
  high_newton_metres DOUBLE NULL,
  outcome VARCHAR(12) CHARACTER SET ascii NOT NULL,
  voided_by BINARY(16) NULL,
  KEY pulls_by_tool (tool_id, pulled_at),
  KEY pulls_by_job (job_id, tool_id, pulled_at, event_id)
) ENGINE = InnoDB
