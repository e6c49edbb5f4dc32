-- Who changed or decided what, when and why. Append-only: the application's account may read and insert here, nothing else.
CREATE TABLE site_log (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at DATETIME(6) NOT NULL,
  person_id CHAR(36) CHARACTER SET ascii NOT NULL,
  person_name VARCHAR(60) NOT NULL,
  kind VARCHAR(40) CHARACTER SET ascii NOT NULL,
  subject VARCHAR(100) CHARACTER SET ascii NOT NULL,
  why VARCHAR(300) NOT NULL,
  body LONGTEXT NOT NULL,
  KEY site_log_by_subject (kind, subject, id)
) ENGINE = InnoDB
