-- Which requirements a person had to settle: only among those can a source contradict itself.
ALTER TABLE book_requirements
  ADD COLUMN is_settled BOOLEAN AS (JSON_VALUE(body, '$.torque.readAs') IS NOT NULL) STORED,
  ADD KEY book_requirements_by_settled (is_settled, is_withdrawn)
