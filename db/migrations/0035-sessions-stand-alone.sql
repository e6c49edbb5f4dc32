ALTER TABLE calibration_sessions
  DROP FOREIGN KEY calibration_sessions_ibfk_1
