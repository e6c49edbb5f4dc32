-- What is shown of a picture: drawn anew by the site, never the bytes that somebody sent. Null for a PDF, and for a picture from before, which is drawn when it is asked for.
ALTER TABLE attachments
  ADD COLUMN shown LONGBLOB NULL AFTER content
