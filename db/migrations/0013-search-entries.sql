-- What the search shows of each thing it can find. Follows from the other tables.
CREATE TABLE search_entries (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  kind VARCHAR(12) CHARACTER SET ascii NOT NULL,
  ref_id CHAR(36) CHARACTER SET ascii NOT NULL,
  table_row INT UNSIGNED NOT NULL DEFAULT 0,
  title VARCHAR(240) NOT NULL,
  detail VARCHAR(400) NOT NULL,
  UNIQUE KEY search_entries_by_ref (kind, ref_id, table_row)
) ENGINE = InnoDB
