CREATE TABLE people (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  name VARCHAR(60) NOT NULL UNIQUE,
  role ENUM('technician', 'inspector', 'lead') NOT NULL,
  pin_hash VARCHAR(200) CHARACTER SET ascii NOT NULL,
  wrong_tries INT UNSIGNED NOT NULL DEFAULT 0,
  locked_until DATETIME(6) NULL,
  created_at DATETIME(6) NOT NULL
) ENGINE = InnoDB
