-- What programs and calendars ask with: the hash of each secret, whose it is, and what it is good for.
CREATE TABLE tokens (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  token_hash CHAR(64) CHARACTER SET ascii NOT NULL UNIQUE,
  scope VARCHAR(12) CHARACTER SET ascii NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  made_by VARCHAR(60) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  expires_at DATETIME(6) NULL,
  used_at DATETIME(6) NULL,
  FOREIGN KEY (person_id) REFERENCES people (id),
  KEY tokens_by_person (person_id, scope)
) ENGINE = InnoDB
