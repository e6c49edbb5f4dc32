-- What a job waits for before its work goes on, and until when; null while it waits for nothing. Both follow from the events.
ALTER TABLE jobs
  ADD COLUMN waits_for VARCHAR(120) NULL AFTER fasteners_left_open,
  ADD COLUMN waits_until DATETIME(6) NULL AFTER waits_for
