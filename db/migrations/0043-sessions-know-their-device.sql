-- Where a session is, so that its person can end it, and when a person last did something in it. Those from before it end.
ALTER TABLE sessions
  ADD COLUMN id CHAR(36) CHARACTER SET ascii NOT NULL DEFAULT UUID(),
  ADD COLUMN device_hash CHAR(64) CHARACTER SET ascii NULL,
  ADD COLUMN address VARCHAR(64) CHARACTER SET ascii NOT NULL DEFAULT '',
  ADD COLUMN agent VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN seen_at DATETIME(6) NOT NULL DEFAULT '2000-01-01',
  ADD KEY sessions_by_device (device_hash)
