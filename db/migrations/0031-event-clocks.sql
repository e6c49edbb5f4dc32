-- What the site knows of the time an event happened at; null in events of version 1, which did not say.
ALTER TABLE events
  ADD COLUMN clock LONGTEXT NULL
