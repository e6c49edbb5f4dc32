-- The requirements of the spec book, each at its newest revision. `number` makes the code people say: R-12.
CREATE TABLE book_requirements (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  number INT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
  revision INT UNSIGNED NOT NULL,
  source_id CHAR(36) CHARACTER SET ascii NOT NULL,
  spec_key VARCHAR(400) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  is_withdrawn BOOLEAN NOT NULL,
  body LONGTEXT NOT NULL,
  why VARCHAR(300) NOT NULL,
  changed_by VARCHAR(60) NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  FOREIGN KEY (source_id) REFERENCES sources (id),
  KEY book_requirements_by_key (spec_key),
  KEY book_requirements_by_change (is_withdrawn, changed_at)
) ENGINE = InnoDB
