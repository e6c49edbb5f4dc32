-- The zone that the site's clock shows, by its IANA name; null for a site from before it, which keeps to UTC until a lead says another.
ALTER TABLE site
  ADD COLUMN time_zone VARCHAR(64) CHARACTER SET ascii NULL AFTER unit
