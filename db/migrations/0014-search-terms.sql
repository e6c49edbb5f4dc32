-- By which terms (core/search/search-terms) each entry of the search is found. A table of our own and not a full-text index: that one
-- reads every match of every term before it answers, and at a hundred thousand entries one letter matches most of them.
CREATE TABLE search_terms (
  term VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  entry_id INT UNSIGNED NOT NULL,
  PRIMARY KEY (term, entry_id),
  KEY search_terms_by_entry (entry_id, term),
  FOREIGN KEY (entry_id) REFERENCES search_entries (id) ON DELETE CASCADE
) ENGINE = InnoDB
