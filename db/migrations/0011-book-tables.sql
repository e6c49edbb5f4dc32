-- The lookup tables of the spec book, each at its newest revision.
CREATE TABLE book_tables (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  revision INT UNSIGNED NOT NULL,
  source_id CHAR(36) CHARACTER SET ascii NOT NULL,
  place VARCHAR(120) NOT NULL,
  is_withdrawn BOOLEAN NOT NULL,
  name VARCHAR(120) NOT NULL,
  body LONGTEXT NOT NULL,
  why VARCHAR(300) NOT NULL,
  changed_by VARCHAR(60) NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  FOREIGN KEY (source_id) REFERENCES sources (id)
) ENGINE = InnoDB
