-- The sealing key moves to a file outside the database; the start of the site takes it out of here.
ALTER TABLE site
  MODIFY sealing_private_key CHAR(64) CHARACTER SET ascii NULL
