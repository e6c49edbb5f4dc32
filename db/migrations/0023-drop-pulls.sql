-- Follows from the events; made anew in the next ones, where an over-shot has no torque and a pull names who made it.
DROP TABLE pulls
