-- Each tool as it stands, as an event: from here on a tool follows from its events alone.
INSERT INTO tool_events (tool_id, at, person_id, person_name, kind, body)
SELECT id,
       UTC_TIMESTAMP(6),
       '00000000-0000-0000-0000-000000000000',
       'Jentik',
       'restated',
       JSON_OBJECT(
         'after',
         JSON_OBJECT(
           'tool', JSON_EXTRACT(body, '$'),
           'quarantine', JSON_EXTRACT(quarantine, '$'),
           'loan', JSON_EXTRACT(loan, '$'),
           'isRetired', JSON_EXTRACT(IF(is_retired, 'true', 'false'), '$')))
  FROM tools
