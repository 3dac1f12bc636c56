-- What happened in a session becomes typed: one JSON object a kind of event, reasons by key and facts, and who told it.
-- Sentences of before are kept word for word under the key "verbatim"; who told an event of before is who led the session.
ALTER TABLE run_event
  ADD COLUMN made_by BIGINT NULL,
  ADD COLUMN detail LONGTEXT NULL;

UPDATE run_event e JOIN training_session s ON s.id = e.session_id
SET e.made_by = s.staff_id;

UPDATE run_event
SET kind = 'EMERGENCY'
WHERE kind = 'SIGN'
  AND sign IN ('BLEEDING', 'FLUID_LEAK', 'CONTRACTIONS', 'LESS_MOVEMENT', 'CHEST_PAIN', 'BREATHLESS_AT_REST', 'DIZZY',
    'HEADACHE_VISION', 'CALF', 'FEVER', 'WOUND', 'ABDOMINAL_PAIN', 'HARD_LUMP', 'NEW_INCONTINENCE', 'SELF_HARM');

-- A function in IF or CASE comes out as a text; JSON_COMPACT makes it JSON again.
UPDATE run_event
SET detail = CASE kind
  WHEN 'EFFORT' THEN JSON_OBJECT('effort', COALESCE(number_value, 0))
  WHEN 'UNDO' THEN JSON_OBJECT('eventId', COALESCE(refers_to, ''))
  WHEN 'OVERRIDE' THEN JSON_OBJECT(
    'signId', COALESCE(refers_to, ''),
    'move', COALESCE(move, 'CARRY_ON'),
    'reason', COALESCE(reason, ''))
  WHEN 'EMERGENCY' THEN JSON_OBJECT('rung', COALESCE(rung, ''), 'set', COALESCE(set_no, 1), 'answer', sign)
  WHEN 'SIGN' THEN JSON_OBJECT(
    'rung', COALESCE(rung, ''),
    'set', COALESCE(set_no, 1),
    'sign', sign,
    'severity', COALESCE(severity, 'CLEAR'),
    'side', side,
    'rep', COALESCE(rep_no, 1),
    'second', hold_second,
    'painLevel', pain_level,
    'place', NULL,
    'sharp', JSON_COMPACT('false'),
    'recoverable', JSON_COMPACT(CASE recoverable WHEN 1 THEN 'true' WHEN 0 THEN 'false' ELSE 'null' END))
  ELSE '{}'
END;

UPDATE run_event
SET detail = JSON_INSERT(detail, '$.advice', JSON_OBJECT(
  'move', COALESCE(move, 'CARRY_ON'),
  'change', JSON_COMPACT(IF(lever IS NULL, 'null', JSON_OBJECT(
    'lever', lever,
    'from', JSON_COMPACT(CASE
      WHEN lever_from IS NULL THEN 'null'
      WHEN lever_from REGEXP '^-?[0-9]+([.][0-9]+)?([eE]-?[0-9]+)?$' THEN lever_from
      WHEN lever = 'EASIER_POSITION' THEN JSON_OBJECT('code', CONCAT('Position.', lever_from))
      WHEN lever = 'CHANGE_SPINE' THEN JSON_OBJECT('code', CONCAT('Stances.Spine.', lever_from))
      ELSE JSON_QUOTE(lever_from) END),
    'to', JSON_COMPACT(CASE
      WHEN lever_to IS NULL THEN 'null'
      WHEN lever_to REGEXP '^-?[0-9]+([.][0-9]+)?([eE]-?[0-9]+)?$' THEN lever_to
      WHEN lever IN ('ADD_HELPER', 'SUPPORT') THEN JSON_OBJECT('code', CONCAT('Helper.', lever_to))
      WHEN lever = 'EASIER_POSITION' THEN JSON_OBJECT('code', CONCAT('Position.', lever_to))
      WHEN lever = 'CHANGE_SPINE' THEN JSON_OBJECT('code', CONCAT('Stances.Spine.', lever_to))
      ELSE JSON_QUOTE(lever_to) END),
    'loadChangePct', load_change_pct))),
  'stepBackTo', IF(lever IS NULL, lever_to, NULL),
  'stepBackRange', JSON_COMPACT(IF(lever IS NULL AND lever_from REGEXP '^[01]([.][0-9]+)?$', lever_from, 'null')),
  'loadChangePct', load_change_pct,
  'rule', COALESCE(rule_id, 'R12'),
  'reason', JSON_OBJECT('key', 'verbatim', 'facts', JSON_ARRAY(COALESCE(reason, ''))),
  'watchNext', NULL,
  'runnerUp', JSON_COMPACT(IF(runner_up IS NULL, 'null', JSON_OBJECT(
    'move', 'CARRY_ON',
    'change', NULL,
    'reason', JSON_OBJECT('key', 'verbatim', 'facts', JSON_ARRAY(runner_up))))),
  'alsoSeen', JSON_ARRAY(),
  'closesLoadedRungs', JSON_COMPACT(IF(kind = 'SIGN' AND sign IN ('BEARS_DOWN', 'HEAVY'), 'true', 'false')),
  'refers', JSON_COMPACT('false')))
WHERE kind IN ('SIGN', 'EMERGENCY');

ALTER TABLE run_event
  MODIFY COLUMN made_by BIGINT NOT NULL,
  MODIFY COLUMN detail LONGTEXT NOT NULL CHECK (JSON_VALID(detail)),
  DROP COLUMN rung,
  DROP COLUMN set_no,
  DROP COLUMN rep_no,
  DROP COLUMN sign,
  DROP COLUMN severity,
  DROP COLUMN side,
  DROP COLUMN pain_level,
  DROP COLUMN recoverable,
  DROP COLUMN refers_to,
  DROP COLUMN move,
  DROP COLUMN lever,
  DROP COLUMN lever_from,
  DROP COLUMN lever_to,
  DROP COLUMN load_change_pct,
  DROP COLUMN rule_id,
  DROP COLUMN reason,
  DROP COLUMN number_value,
  DROP COLUMN runner_up,
  DROP COLUMN hold_second;
