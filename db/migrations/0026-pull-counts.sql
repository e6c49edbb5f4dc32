-- Alike pulls of a tool on one day (UTC) and job, counted; a recall over a million pulls reads a few thousand lines of this. `alike` is
-- what makes them alike, hashed, because a torque may be null and a key may not.
CREATE TABLE pull_counts (
  alike BINARY(16) NOT NULL PRIMARY KEY,
  tool_id BINARY(16) NOT NULL,
  pulled_on DATE NOT NULL,
  job_id BINARY(16) NOT NULL,
  shown_newton_metres DOUBLE NULL,
  torque_newton_metres DOUBLE NULL,
  low_newton_metres DOUBLE NULL,
  high_newton_metres DOUBLE NULL,
  uses INT UNSIGNED NOT NULL,
  voided INT UNSIGNED NOT NULL DEFAULT 0,
  last_used_at DATETIME(6) NOT NULL,
  KEY pull_counts_by_tool (tool_id, pulled_on),
  KEY pull_counts_by_job (job_id)
) ENGINE = InnoDB
