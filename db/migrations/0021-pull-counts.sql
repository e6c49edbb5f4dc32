-- Alike pulls of a tool on one day (UTC) and job, counted; a recall over a million pulls reads a few thousand lines of this.
CREATE TABLE pull_counts (
  tool_id CHAR(36) CHARACTER SET ascii NOT NULL,
  pulled_on DATE NOT NULL,
  job_id CHAR(36) CHARACTER SET ascii NOT NULL,
  shown_newton_metres DOUBLE NOT NULL,
  torque_newton_metres DOUBLE NOT NULL,
  low_newton_metres DOUBLE NOT NULL,
  high_newton_metres DOUBLE NOT NULL,
  uses INT UNSIGNED NOT NULL,
  voided INT UNSIGNED NOT NULL DEFAULT 0,
  PRIMARY KEY (tool_id, pulled_on, job_id, shown_newton_metres, torque_newton_metres,
               low_newton_metres, high_newton_metres),
  KEY pull_counts_by_job (job_id)
) ENGINE = InnoDB
