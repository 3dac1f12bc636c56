-- A code by which a device finds the session it is to stream into; of it the digest alone is kept
CREATE TABLE device_pairing (
  code_hash CHAR(64) NOT NULL PRIMARY KEY,
  session_id CHAR(36) NOT NULL,
  made_by BIGINT NOT NULL,
  expires_at DATETIME NOT NULL,
  used_at DATETIME NULL,
  INDEX (session_id),
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);
-- A trace of cuff and belts, from a device in a session or from a file
CREATE TABLE recording (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  client_id BIGINT NOT NULL,
  session_id CHAR(36) NULL,
  staff_id BIGINT NOT NULL,
  title VARCHAR(120) NOT NULL,
  started_at DATETIME NOT NULL,
  ended_at DATETIME NULL,
  INDEX (client_id, started_at),
  INDEX (session_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE,
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);
-- Its samples as they came, some seconds a row: numbers of 64 bits, deflated
CREATE TABLE recording_batch (
  recording_id BIGINT NOT NULL,
  batch INT NOT NULL,
  first_ms DOUBLE NOT NULL,
  last_ms DOUBLE NOT NULL,
  samples INT NOT NULL,
  body MEDIUMBLOB NOT NULL,
  PRIMARY KEY (recording_id, batch),
  FOREIGN KEY (recording_id) REFERENCES recording (id) ON DELETE CASCADE
);
-- Its repetitions, by the times of the device
CREATE TABLE recording_rep (
  recording_id BIGINT NOT NULL,
  start_ms DOUBLE NOT NULL,
  end_ms DOUBLE NOT NULL,
  rep INT NOT NULL,
  side VARCHAR(5) NULL,
  rung VARCHAR(12) NOT NULL DEFAULT '',
  PRIMARY KEY (recording_id, start_ms),
  FOREIGN KEY (recording_id) REFERENCES recording (id) ON DELETE CASCADE
);
