-- Append-only: the application's account may read and insert here, nothing else.
CREATE TABLE events (
  job_id CHAR(36) CHARACTER SET ascii NOT NULL,
  sequence INT UNSIGNED NOT NULL,
  id CHAR(36) CHARACTER SET ascii NOT NULL UNIQUE,
  schema_version SMALLINT UNSIGNED NOT NULL,
  kind VARCHAR(40) CHARACTER SET ascii NOT NULL,
  device_time DATETIME(6) NOT NULL,
  server_time DATETIME(6) NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  person_name VARCHAR(60) NOT NULL,
  person_role VARCHAR(20) CHARACTER SET ascii NOT NULL,
  body LONGTEXT NOT NULL,
  previous_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (job_id, sequence),
  FOREIGN KEY (job_id) REFERENCES jobs (id),
  FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE = InnoDB
