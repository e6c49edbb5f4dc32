-- The last number given to a job and to a requirement. A row and not an auto-increment: that one steps by the number of nodes on a cluster,
-- and leaves gaps where a transaction is rolled back.
CREATE TABLE counters (
  name VARCHAR(40) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  value INT UNSIGNED NOT NULL
) ENGINE = InnoDB
