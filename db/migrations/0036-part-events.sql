-- What a part or a machine has been through over all jobs, by the code on it. Follows from the events of the jobs.
CREATE TABLE part_events (
  event_id BINARY(16) NOT NULL,
  part_code VARCHAR(40) NOT NULL,
  job_id CHAR(36) CHARACTER SET ascii NOT NULL,
  happened_at DATETIME(6) NOT NULL,
  person_name VARCHAR(60) NOT NULL,
  body JSON NOT NULL,
  PRIMARY KEY (event_id, part_code),
  KEY part_events_by_part (part_code, happened_at)
) ENGINE = InnoDB
