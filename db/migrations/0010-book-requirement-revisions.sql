-- Every revision of every requirement. Append-only: a job names the revision it used.
CREATE TABLE book_requirement_revisions (
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  revision INT UNSIGNED NOT NULL,
  source_id CHAR(36) CHARACTER SET ascii NOT NULL,
  is_withdrawn BOOLEAN NOT NULL,
  body LONGTEXT NOT NULL,
  why VARCHAR(300) NOT NULL,
  changed_by VARCHAR(60) NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id, revision),
  FOREIGN KEY (id) REFERENCES book_requirements (id)
) ENGINE = InnoDB
