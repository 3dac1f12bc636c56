-- Ten thousand invented clients in a running demo: births, clearances, a check, places on four strands, eight sessions.
-- Used by: bench/run caseload   (safe to run twice; takes a minute or two)
INSERT IGNORE INTO client (form_id, name, status, height_cm, mass_kg, age, dominant_hand, approach, minutes_per_day, days_per_week)
SELECT CONCAT('20000000-0000-4000-8000-', LPAD(seq, 12, '0')),
       CONCAT(ELT(1 + seq MOD 8, 'Aldous', 'Brisa', 'Corin', 'Delia', 'Emrys', 'Fenna', 'Gwilym', 'Hesper'), ' ',
              ELT(1 + seq DIV 8 MOD 9, 'Ashmere', 'Brackwell', 'Calder', 'Dunmoor', 'Elvet', 'Farrow', 'Gorse', 'Hythe', 'Inver'),
              ' ', LPAD(seq, 5, '0')),
       'POSTNATAL', 155 + seq MOD 30, 55 + seq MOD 35, 24 + seq MOD 20, 'RIGHT',
       ELT(1 + seq MOD 4, 'QUIET_START', 'BREATH_LED', 'SLOW_LADDER', 'GRADED_LOAD'), 12, 5
FROM seq_1_to_10000;

CREATE TEMPORARY TABLE crowd (id BIGINT PRIMARY KEY, n INT) AS
SELECT id, CAST(RIGHT(form_id, 12) AS UNSIGNED) AS n FROM client WHERE form_id LIKE '20000000-%';

INSERT IGNORE INTO body_event (client_id, kind, happened_on, birth_mode, tear_degree)
SELECT id, 'BIRTH', CURRENT_DATE - INTERVAL (10 + n MOD 500) DAY, IF(n MOD 4 = 0, 'CAESAREAN', 'VAGINAL'), n MOD 3 FROM crowd;
INSERT IGNORE INTO clearance (client_id, scope, given_on, expires_on, by_role, recorded_by)
SELECT id, 'EXERCISE', CURRENT_DATE - INTERVAL (5 + n MOD 200) DAY, IF(n MOD 20 = 0, CURRENT_DATE + INTERVAL n MOD 30 DAY, NULL), 'PHYSICIAN', 1 FROM crowd;
INSERT IGNORE INTO visit (client_id, held_on, staff_id, asked_at)
SELECT id, CURRENT_DATE - INTERVAL (n MOD 70) DAY, 1, NOW() FROM crowd;
INSERT IGNORE INTO reading (visit_id, site_cm, condition_code, method, reading_values, feel, staff_id)
SELECT v.id, 2, 'REST', 'FINGERS', '2.5', 'SPRINGY', 1 FROM visit v JOIN crowd c ON c.id = v.client_id;
INSERT IGNORE INTO finding (visit_id, name, side, finding_value)
SELECT v.id, f.name, f.side, f.finding_value
FROM visit v
JOIN crowd c ON c.id = v.client_id
JOIN (SELECT 'SET_GRADE' AS name, 'LEFT' AS side, '4' AS finding_value UNION SELECT 'SET_GRADE', 'RIGHT', '3'
      UNION SELECT 'TOLERANCE_BREATHS', '', '6') f;
INSERT IGNORE INTO visit_answer (visit_id, code)
SELECT v.id, IF(c.n MOD 700 = 0, 'CHEST_PAIN', 'HEAVINESS')
FROM visit v JOIN crowd c ON c.id = v.client_id
WHERE c.n MOD 70 = 0;

INSERT IGNORE INTO ladder_step (client_id, strand, side, rung, sets, reps, hold_s, breaths, per_day, days_per_week, since, change_code, staff_id, follows)
SELECT c.id, p.strand, p.side, p.rung, 1, p.reps, p.hold_s, p.breaths, 1, 5, CURRENT_DATE - INTERVAL (25 + c.n MOD 20) DAY, 'START', 1, 0
FROM crowd c
JOIN (SELECT 'BREATH' AS strand, '' AS side, 'BR3' AS rung, NULL AS reps, NULL AS hold_s, 4 AS breaths
      UNION SELECT 'DEEP_CORE', '', 'DC2', 10, 7, NULL
      UNION SELECT 'LEG_FLOAT', 'LEFT', 'F1', 7, NULL, NULL
      UNION SELECT 'LEG_FLOAT', 'RIGHT', 'F2', 12, NULL, NULL) p;
INSERT IGNORE INTO training_session (id, client_id, held_on, staff_id, finished_at)
SELECT CONCAT('3', LPAD(c.n, 7, '0'), '-0000-4000-8000-', LPAD(s.seq, 12, '0')), c.id,
       CURRENT_DATE - INTERVAL (s.seq * 3 + c.n MOD 12) DAY, 1, NOW()
FROM crowd c JOIN seq_1_to_8 s;
INSERT IGNORE INTO session_result (session_id, rung, side, client_id, held_on, result, effort, next_day, signs)
SELECT t.id, p.rung, p.side, t.client_id, t.held_on, ELT(1 + (c.n + p.k) MOD 5, 'CLEAN', 'CLEAN', 'HELPED', 'CLEAN', 'EASED'), 3, '', ''
FROM training_session t
JOIN crowd c ON c.id = t.client_id
JOIN (SELECT 'BR3' AS rung, '' AS side, 0 AS k UNION SELECT 'DC2', '', 1 UNION SELECT 'F1', 'LEFT', 2 UNION SELECT 'F2', 'RIGHT', 3) p;
SELECT COUNT(*) AS clients FROM client;
