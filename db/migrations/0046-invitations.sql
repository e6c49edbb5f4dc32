-- Codes with which a person chooses a PIN, each once and for a short time.
CREATE TABLE invitations (
  code_hash CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  made_at DATETIME(6) NOT NULL,
  expires_at DATETIME(6) NOT NULL,
  FOREIGN KEY (person_id) REFERENCES people (id),
  KEY invitations_by_person (person_id)
) ENGINE = InnoDB
