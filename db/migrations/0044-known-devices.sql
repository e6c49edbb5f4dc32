-- On which devices a person has signed in, and the wrong PINs that were typed for them there since.
CREATE TABLE known_devices (
  device_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  known_since DATETIME(6) NOT NULL,
  wrong_tries INT UNSIGNED NOT NULL DEFAULT 0,
  last_tried_at DATETIME(6) NULL,
  PRIMARY KEY (device_hash, person_id),
  FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE = InnoDB
