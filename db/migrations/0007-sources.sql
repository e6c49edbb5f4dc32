CREATE TABLE sources (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  title VARCHAR(120) NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii NOT NULL,
  number VARCHAR(60) NOT NULL,
  revision VARCHAR(40) NOT NULL,
  dated_on DATE NULL,
  place VARCHAR(120) NOT NULL,
  status VARCHAR(12) CHARACTER SET ascii NOT NULL,
  superseded_by CHAR(36) CHARACTER SET ascii NULL,
  FOREIGN KEY (superseded_by) REFERENCES sources (id),
  CHECK (superseded_by IS NULL OR status = 'superseded')
) ENGINE = InnoDB
