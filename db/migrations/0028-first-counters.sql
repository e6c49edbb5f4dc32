INSERT INTO counters (name, value)
SELECT 'job', COALESCE(MAX(number), 0)
  FROM jobs
UNION ALL
SELECT 'requirement', COALESCE(MAX(number), 0)
  FROM book_requirements
