-- How far a rung goes, 0 easiest to 1 full: where she stands, what was planned, what was done
ALTER TABLE ladder_step ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;
ALTER TABLE session_item ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;
ALTER TABLE session_result ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;

-- A practitioner's own rungs, each as a strand file of one rung that passed the same check as the shipped ones
CREATE TABLE house_rung (
  code VARCHAR(10) NOT NULL PRIMARY KEY,
  rung_text TEXT NOT NULL,
  staff_id BIGINT NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
);

-- A house's own approaches: a shipped one with some stances changed
CREATE TABLE house_approach (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  name VARCHAR(60) NOT NULL UNIQUE,
  rationale VARCHAR(300) NOT NULL DEFAULT '',
  base VARCHAR(40) NOT NULL,
  changes VARCHAR(400) NOT NULL DEFAULT '',
  staff_id BIGINT NOT NULL
);
-- Stances changed for one client, on top of her approach: NAME=OPTION with commas
ALTER TABLE client ADD COLUMN house_approach_id BIGINT NULL;
ALTER TABLE client ADD CONSTRAINT client_house_approach FOREIGN KEY (house_approach_id) REFERENCES house_approach (id);
ALTER TABLE client ADD COLUMN stance_changes VARCHAR(400) NOT NULL DEFAULT '';
ALTER TABLE client ADD COLUMN grow_first VARCHAR(10) NOT NULL DEFAULT 'REPS';
ALTER TABLE client ADD COLUMN blocked_days VARCHAR(70) NOT NULL DEFAULT '';
ALTER TABLE client ADD COLUMN goal VARCHAR(30) NULL;
ALTER TABLE client ADD COLUMN goal_date DATE NULL;

-- What the practitioner has set by hand in a client's plan; side is empty where it is about both
CREATE TABLE plan_choice (
  client_id BIGINT NOT NULL,
  strand VARCHAR(20) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  rung VARCHAR(10) NULL,
  sets INT NULL,
  reps INT NULL,
  hold_s INT NULL,
  breaths INT NULL,
  per_day INT NULL,
  days_per_week INT NULL,
  range_fraction DOUBLE NULL,
  locked BOOLEAN NOT NULL DEFAULT FALSE,
  left_out BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (client_id, strand, side),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE plan_order (
  client_id BIGINT NOT NULL PRIMARY KEY,
  strands VARCHAR(300) NOT NULL,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- A move up that the practitioner holds back, and why
CREATE TABLE step_hold (
  step_id BIGINT NOT NULL PRIMARY KEY,
  reason VARCHAR(300) NOT NULL,
  staff_id BIGINT NOT NULL,
  held_on DATE NOT NULL,
  FOREIGN KEY (step_id) REFERENCES ladder_step (id) ON DELETE CASCADE
);

-- Beside the mat, or at home as the client told it
ALTER TABLE training_session ADD COLUMN at_home BOOLEAN NOT NULL DEFAULT FALSE;

-- When anything of a client last changed: the board works out anew only whom this names.
-- Triggers need log_bin_trust_function_creators=1 where the server writes a binary log.
ALTER TABLE client ADD COLUMN touched_at DATETIME(6) NOT NULL DEFAULT CURRENT_TIMESTAMP(6) ON UPDATE CURRENT_TIMESTAMP(6), ADD INDEX (touched_at);
CREATE TRIGGER body_event_made AFTER INSERT ON body_event FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER body_event_changed AFTER UPDATE ON body_event FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER clearance_made AFTER INSERT ON clearance FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER clearance_changed AFTER UPDATE ON clearance FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER visit_made AFTER INSERT ON visit FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER visit_changed AFTER UPDATE ON visit FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER visit_answer_made AFTER INSERT ON visit_answer FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = NEW.visit_id);
CREATE TRIGGER visit_answer_taken_back AFTER DELETE ON visit_answer FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = OLD.visit_id);
CREATE TRIGGER reading_made AFTER INSERT ON reading FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = NEW.visit_id);
CREATE TRIGGER reading_changed AFTER UPDATE ON reading FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = NEW.visit_id);
CREATE TRIGGER reading_removed AFTER DELETE ON reading FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = OLD.visit_id);
CREATE TRIGGER finding_made AFTER INSERT ON finding FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = NEW.visit_id);
CREATE TRIGGER finding_changed AFTER UPDATE ON finding FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = NEW.visit_id);
CREATE TRIGGER finding_removed AFTER DELETE ON finding FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM visit WHERE id = OLD.visit_id);
CREATE TRIGGER session_result_made AFTER INSERT ON session_result FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER session_result_changed AFTER UPDATE ON session_result FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER session_result_removed AFTER DELETE ON session_result FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = OLD.client_id;
CREATE TRIGGER ladder_step_made AFTER INSERT ON ladder_step FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER step_hold_made AFTER INSERT ON step_hold FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM ladder_step WHERE id = NEW.step_id);
CREATE TRIGGER step_hold_lifted AFTER DELETE ON step_hold FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = (SELECT client_id FROM ladder_step WHERE id = OLD.step_id);
CREATE TRIGGER restriction_lifted AFTER INSERT ON lifted_restriction FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER restriction_restored AFTER DELETE ON lifted_restriction FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = OLD.client_id;
