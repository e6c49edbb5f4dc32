-- Wrong PINs of devices on which nobody has signed in, by address and person; the person '' is everybody at that address.
CREATE TABLE stranger_tries (
  address VARCHAR(64) CHARACTER SET ascii NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  wrong_tries INT UNSIGNED NOT NULL,
  last_tried_at DATETIME(6) NULL,
  PRIMARY KEY (address, person_id),
  KEY stranger_tries_by_person (person_id)
) ENGINE = InnoDB
