-- A tool follows from its events, so it is they that stand first.
ALTER TABLE tool_events
  DROP FOREIGN KEY tool_events_ibfk_1
