-- The site log's own chain: every row of the tables that nobody may change, and every line of the witness file. Append-only.
CREATE TABLE site_chain (
  sequence BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  kind VARCHAR(40) CHARACTER SET ascii NOT NULL,
  ref VARCHAR(80) CHARACTER SET ascii NOT NULL,
  said VARCHAR(200) NOT NULL,
  content_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  at DATETIME(6) NOT NULL,
  previous_hash CHAR(64) CHARACTER SET ascii NOT NULL,
  hash CHAR(64) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY site_chain_by_ref (kind, ref)
) ENGINE = InnoDB
