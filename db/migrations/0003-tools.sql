-- The tool crib. `body` is the tool as a record states it, `facts` what happened to it outside jobs; both follow from tool_events.
CREATE TABLE tools (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  code VARCHAR(20) NOT NULL UNIQUE,
  body LONGTEXT NOT NULL,
  quarantine LONGTEXT NULL,
  loan LONGTEXT NULL,
  is_retired BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(6) NOT NULL
) ENGINE = InnoDB
