-- Every revision of every lookup table. Append-only.
CREATE TABLE book_table_revisions (
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  revision INT UNSIGNED NOT NULL,
  source_id CHAR(36) CHARACTER SET ascii NOT NULL,
  place VARCHAR(120) NOT NULL,
  is_withdrawn BOOLEAN NOT NULL,
  name VARCHAR(120) NOT NULL,
  body LONGTEXT NOT NULL,
  why VARCHAR(300) NOT NULL,
  changed_by VARCHAR(60) NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id, revision),
  FOREIGN KEY (id) REFERENCES book_tables (id)
) ENGINE = InnoDB
