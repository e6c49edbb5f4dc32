-- Which job rests on what of the spec book. Follows from the events.
CREATE TABLE job_references (
  job_id CHAR(36) CHARACTER SET ascii NOT NULL,
  ref_kind VARCHAR(12) CHARACTER SET ascii NOT NULL,
  ref_id CHAR(36) CHARACTER SET ascii NOT NULL,
  revision INT UNSIGNED NOT NULL,
  source_id CHAR(36) CHARACTER SET ascii NOT NULL,
  fasteners INT UNSIGNED NOT NULL,
  PRIMARY KEY (job_id, ref_kind, ref_id, revision),
  FOREIGN KEY (job_id) REFERENCES jobs (id),
  KEY job_references_by_ref (ref_id),
  KEY job_references_by_source (source_id)
) ENGINE = InnoDB
