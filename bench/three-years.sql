-- Three years of one client in a running demo: a re-check every six weeks, three sessions a week on four rungs.
-- Used by: bench/run years   (adds to the client named in @name; safe to run twice)
SET @name = 'Catarina Reis';
SET @client = (SELECT id FROM client WHERE name = @name);

INSERT IGNORE INTO visit (client_id, held_on, staff_id)
WITH RECURSIVE n AS (SELECT 1 AS i UNION ALL SELECT i + 1 FROM n WHERE i < 26)
SELECT @client, CURRENT_DATE - INTERVAL (i * 42) DAY, 1 FROM n;

INSERT IGNORE INTO reading (visit_id, site_cm, condition_code, method, reading_values, feel, staff_id)
SELECT v.id, s.site, c.code, 'FINGERS', ROUND(1 + DATEDIFF(CURRENT_DATE, v.held_on) / 550) + 0.5, 'SPRINGY', 1
FROM visit v
JOIN (SELECT 5 AS site UNION SELECT 2 UNION SELECT 0 UNION SELECT -2 UNION SELECT -5) s
JOIN (SELECT 'REST' AS code UNION SELECT 'HEAD_LIFT') c
WHERE v.client_id = @client;

INSERT IGNORE INTO finding (visit_id, name, side, finding_value)
SELECT v.id, f.name, f.side, f.finding_value
FROM visit v
JOIN (SELECT 'SET_GRADE' AS name, 'LEFT' AS side, '4' AS finding_value
      UNION SELECT 'SET_GRADE', 'RIGHT', '4' UNION SELECT 'TOLERANCE_BREATHS', '', '9'
      UNION SELECT 'FLOAT_F1', 'LEFT', 'CLEAN' UNION SELECT 'FLOAT_F1', 'RIGHT', 'CLEAN') f
WHERE v.client_id = @client;

INSERT IGNORE INTO training_session (id, client_id, held_on, staff_id, finished_at)
WITH RECURSIVE n AS (SELECT 1 AS i UNION ALL SELECT i + 1 FROM n WHERE i < 468)
SELECT CONCAT('10000000-0000-4000-8000-', LPAD(i, 12, '0')), @client, CURRENT_DATE - INTERVAL FLOOR(i * 7 / 3) DAY, 1, NOW() FROM n;

INSERT IGNORE INTO session_result (session_id, rung, side, client_id, held_on, result, effort, next_day, signs)
SELECT t.id, r.rung, r.side, @client, t.held_on, 'CLEAN', 3, '', ''
FROM training_session t
JOIN (SELECT 'F7' AS rung, 'LEFT' AS side UNION SELECT 'F7', 'RIGHT' UNION SELECT 'BR4', '' UNION SELECT 'DC5', '') r
WHERE t.client_id = @client;
