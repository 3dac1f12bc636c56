-- What made an exercise easier in a session, kept until it is earned back
CREATE TABLE clean_setting (
  session_id CHAR(36) NOT NULL,
  rung VARCHAR(10) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  client_id BIGINT NOT NULL,
  held_on DATE NOT NULL,
  clean_rung VARCHAR(10) NOT NULL,
  range_fraction DOUBLE NOT NULL,
  knees_bent_deg INT NOT NULL DEFAULT 0,
  times INT NULL,
  hold_s INT NULL,
  because VARCHAR(20) NULL,
  PRIMARY KEY (session_id, rung, side),
  INDEX (client_id, held_on),
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE clean_setting_part (
  session_id CHAR(36) NOT NULL,
  rung VARCHAR(10) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  part VARCHAR(20) NOT NULL,
  PRIMARY KEY (session_id, rung, side, part),
  FOREIGN KEY (session_id, rung, side) REFERENCES clean_setting (session_id, rung, side) ON DELETE CASCADE
);

-- What a session begins with
ALTER TABLE session_item ADD COLUMN knees_bent_deg INT NOT NULL DEFAULT 0;
CREATE TABLE session_item_part (
  session_id CHAR(36) NOT NULL,
  ordinal INT NOT NULL,
  part VARCHAR(20) NOT NULL,
  PRIMARY KEY (session_id, ordinal, part),
  FOREIGN KEY (session_id, ordinal) REFERENCES session_item (session_id, ordinal) ON DELETE CASCADE
);
