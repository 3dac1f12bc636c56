-- Points dragged on a picture are longer than a code
ALTER TABLE finding MODIFY finding_value VARCHAR(400) NOT NULL;

-- The next best move and why it was not chosen
ALTER TABLE run_event ADD COLUMN runner_up VARCHAR(300) NULL;
-- Seconds into the hold when a sign came
ALTER TABLE run_event ADD COLUMN hold_second DOUBLE NULL;

-- A part of the check that was left out, and why
CREATE TABLE check_skip (
  visit_id BIGINT NOT NULL,
  section VARCHAR(20) NOT NULL,
  reason VARCHAR(200) NOT NULL,
  PRIMARY KEY (visit_id, section),
  FOREIGN KEY (visit_id) REFERENCES visit (id) ON DELETE CASCADE
);

-- A derived restriction that a therapist has lifted for this client
CREATE TABLE lifted_restriction (
  client_id BIGINT NOT NULL,
  code VARCHAR(30) NOT NULL,
  reason VARCHAR(300) NOT NULL,
  staff_id BIGINT NOT NULL,
  lifted_on DATE NOT NULL,
  PRIMARY KEY (client_id, code),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- Two measures of the same thing by one examiner, blind to the first: on a client, or on the trainer with its hidden truth
CREATE TABLE repeat_pair (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  staff_id BIGINT NOT NULL,
  on_trainer BOOLEAN NOT NULL,
  method VARCHAR(20) NOT NULL,
  first_mm DOUBLE NOT NULL,
  second_mm DOUBLE NOT NULL,
  truth_mm DOUBLE NULL,
  taken_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  INDEX (staff_id),
  FOREIGN KEY (staff_id) REFERENCES staff (id) ON DELETE CASCADE
);

-- Photos: only with recorded consent, re-encoded without metadata, for the client's own team
ALTER TABLE client ADD COLUMN photo_consent_on DATE NULL;
CREATE TABLE client_team (
  client_id BIGINT NOT NULL,
  staff_id BIGINT NOT NULL,
  PRIMARY KEY (client_id, staff_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE,
  FOREIGN KEY (staff_id) REFERENCES staff (id) ON DELETE CASCADE
);
CREATE TABLE photo (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  client_id BIGINT NOT NULL,
  visit_id BIGINT NOT NULL,
  staff_id BIGINT NOT NULL,
  width_px INT NOT NULL,
  height_px INT NOT NULL,
  jpeg MEDIUMBLOB NOT NULL,
  INDEX (visit_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE,
  FOREIGN KEY (visit_id) REFERENCES visit (id) ON DELETE CASCADE
);

-- Depth by the knuckles, where it is not measured in mm
ALTER TABLE reading ADD COLUMN depth_code VARCHAR(20) NULL;
