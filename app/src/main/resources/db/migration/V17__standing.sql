-- What was reported of her safety, by whatever way it came: only added to
CREATE TABLE safety_report (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  code VARCHAR(30) NOT NULL DEFAULT '',
  rung VARCHAR(10) NOT NULL DEFAULT '',
  amount INT NULL,
  more BOOLEAN NOT NULL DEFAULT FALSE,
  sharp BOOLEAN NOT NULL DEFAULT FALSE,
  place VARCHAR(20) NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  way VARCHAR(10) NOT NULL,
  reported_at DATETIME NOT NULL,
  received_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  heard_by BIGINT NULL,
  visit_id BIGINT NULL,
  session_id CHAR(36) NULL,
  UNIQUE (client_id, kind, code, rung, way, reported_at),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
-- Somebody looked at a report; whether that opens anything is the rules' to say
CREATE TABLE safety_lift (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  report_id BIGINT NOT NULL,
  client_id BIGINT NOT NULL,
  kind VARCHAR(12) NOT NULL,
  may VARCHAR(12) NOT NULL,
  licence VARCHAR(12) NOT NULL,
  staff_id BIGINT NOT NULL,
  lifted_at DATETIME NOT NULL,
  found VARCHAR(300) NOT NULL DEFAULT '',
  INDEX (report_id),
  FOREIGN KEY (report_id) REFERENCES safety_report (id) ON DELETE CASCADE,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TRIGGER safety_report_made AFTER INSERT ON safety_report FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER safety_lift_made AFTER INSERT ON safety_lift FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;

-- Of before: what came from home …
INSERT INTO safety_report (client_id, kind, code, amount, more, way, reported_at)
SELECT client_id,
  CASE
    WHEN kind = 'LOCKED' THEN 'PAGE_LOCKED'
    WHEN kind = 'SIGN' AND code IN ('HEAVY', 'BEARS_DOWN') THEN 'PELVIC_FLOOR'
    WHEN kind = 'SIGN' AND code = 'LEAK' THEN 'LEAKING'
    WHEN kind = 'SIGN' THEN 'PAIN'
    WHEN code IN ('BLEEDING', 'FLUID_LEAK', 'CONTRACTIONS', 'LESS_MOVEMENT', 'CHEST_PAIN', 'BREATHLESS_AT_REST', 'DIZZY',
      'HEADACHE_VISION', 'CALF', 'FEVER', 'WOUND', 'ABDOMINAL_PAIN', 'HARD_LUMP', 'NEW_INCONTINENCE', 'SELF_HARM')
      THEN 'EMERGENCY'
    WHEN code IN ('HEAVINESS', 'HERNIA', 'PREGNANCY_CONDITION', 'REST_PAIN', 'TEAR_RECENT', 'SURGEON_NOT_CLEARED')
      THEN 'ASK_FIRST'
    ELSE 'ADAPTS'
  END,
  IF(kind = 'LOCKED' OR (kind = 'SIGN' AND code IN ('LEAK', 'PAIN')), '', code),
  CASE WHEN kind = 'LOCKED' THEN CAST(code AS INT) WHEN kind = 'SIGN' AND code = 'PAIN' THEN 4 END,
  kind = 'SIGN' AND code = 'LEAK',
  'HOME',
  told_at
FROM home_flag;
INSERT INTO safety_lift (report_id, client_id, kind, may, licence, staff_id, lifted_at, found)
SELECT r.id, r.client_id, IF(r.kind = 'EMERGENCY', 'SEEN', 'SPOKEN'), 'AS_PLANNED',
  IF(r.kind IN ('EMERGENCY', 'ASK_FIRST'), 'THERAPIST', 'COACH'), COALESCE(f.attended_by, 0), f.attended_at, f.attended_how
FROM home_flag f
JOIN safety_report r ON r.client_id = f.client_id AND r.reported_at = f.told_at
  AND (r.code = f.code OR (r.code = '' AND (f.kind = 'LOCKED') = (r.kind = 'PAGE_LOCKED')
    AND (f.code = 'LEAK') = (r.kind = 'LEAKING') AND (f.kind = 'SIGN' AND f.code = 'PAIN') = (r.kind = 'PAIN')))
WHERE f.attended_at IS NOT NULL;
DROP TABLE home_flag;
-- … and what was answered at visits. An emergency that nobody took back stands, however long ago it was told.
INSERT INTO safety_report (client_id, kind, code, way, reported_at, heard_by, visit_id)
SELECT v.client_id, 'EMERGENCY', a.code, 'VISIT', COALESCE(v.asked_at, TIMESTAMP(v.held_on, '12:00:00')), v.staff_id, v.id
FROM visit_answer a
JOIN visit v ON v.id = a.visit_id
WHERE a.code IN ('BLEEDING', 'FLUID_LEAK', 'CONTRACTIONS', 'LESS_MOVEMENT', 'CHEST_PAIN', 'BREATHLESS_AT_REST', 'DIZZY',
  'HEADACHE_VISION', 'CALF', 'FEVER', 'WOUND', 'ABDOMINAL_PAIN', 'HARD_LUMP', 'NEW_INCONTINENCE', 'SELF_HARM');
-- What asks first stands where no later visit asked again and nobody let it pass.
INSERT INTO safety_report (client_id, kind, code, way, reported_at, heard_by, visit_id)
SELECT v.client_id, 'ASK_FIRST', a.code, 'VISIT', COALESCE(v.asked_at, TIMESTAMP(v.held_on, '12:00:00')), v.staff_id, v.id
FROM visit_answer a
JOIN visit v ON v.id = a.visit_id
WHERE a.code IN ('HEAVINESS', 'HERNIA', 'PREGNANCY_CONDITION', 'REST_PAIN', 'TEAR_RECENT', 'SURGEON_NOT_CLEARED')
  AND v.ask_first_override IS NULL
  AND NOT EXISTS (
    SELECT 1 FROM visit later
    WHERE later.client_id = v.client_id AND later.held_on > v.held_on AND later.asked_at IS NOT NULL);

-- The plan as somebody signed it: what her phone, the handout, the calendar and the letters read
CREATE TABLE prescription (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  adopted_at DATETIME NOT NULL,
  staff_id BIGINT NOT NULL,
  seconds_available INT NOT NULL,
  last_step BIGINT NOT NULL,
  proposed_then CHAR(64) NOT NULL,
  INDEX (client_id, id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE prescription_item (
  prescription_id BIGINT NOT NULL,
  ordinal INT NOT NULL,
  day_name CHAR(1) NOT NULL,
  per_week INT NOT NULL,
  strand VARCHAR(20) NOT NULL,
  role VARCHAR(12) NOT NULL,
  rung VARCHAR(10) NOT NULL,
  form VARCHAR(20) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  stand_in_for VARCHAR(10) NULL,
  stand_in_kind VARCHAR(20) NULL,
  base_sets INT NOT NULL,
  sets INT NOT NULL,
  reps INT NULL,
  hold_s INT NULL,
  breaths INT NULL,
  per_day INT NOT NULL,
  days_per_week INT NOT NULL,
  range_fraction DOUBLE NOT NULL,
  support VARCHAR(20) NULL,
  PRIMARY KEY (prescription_id, ordinal),
  FOREIGN KEY (prescription_id) REFERENCES prescription (id) ON DELETE CASCADE
);
CREATE TRIGGER prescription_made AFTER INSERT ON prescription FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;

-- How an exercise went at home, each time somebody said so: a second report of the same day stands beside the first
CREATE TABLE home_report (
  id CHAR(36) NOT NULL PRIMARY KEY,
  client_id BIGINT NOT NULL,
  session_id CHAR(36) NOT NULL,
  rung VARCHAR(10) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  told VARCHAR(10) NOT NULL,
  effort INT NULL,
  pain_level INT NULL,
  range_fraction DOUBLE NOT NULL,
  reported_at DATETIME NOT NULL,
  heard_by BIGINT NULL,
  withdrawn_by BIGINT NULL,
  INDEX (session_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE,
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);
CREATE TABLE home_report_sign (
  report_id CHAR(36) NOT NULL,
  code VARCHAR(20) NOT NULL,
  PRIMARY KEY (report_id, code),
  FOREIGN KEY (report_id) REFERENCES home_report (id) ON DELETE CASCADE
);
