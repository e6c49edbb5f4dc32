ALTER TABLE book_requirements
  MODIFY number INT UNSIGNED NOT NULL
