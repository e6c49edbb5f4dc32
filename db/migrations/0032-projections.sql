-- Which form of each projection the database holds; one of another form is rebuilt when the site starts.
CREATE TABLE projections (
  name VARCHAR(40) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  version INT UNSIGNED NOT NULL
) ENGINE = InnoDB
