-- Staff and sign-in
CREATE TABLE staff (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  username VARCHAR(60) NOT NULL UNIQUE,
  full_name VARCHAR(120) NOT NULL,
  password_hash VARCHAR(120) NOT NULL,
  licence VARCHAR(20) NOT NULL,
  house_lead BOOLEAN NOT NULL DEFAULT FALSE,
  finger1_mm DOUBLE NULL,
  finger2_mm DOUBLE NULL,
  finger3_mm DOUBLE NULL,
  finger4_mm DOUBLE NULL
);

-- Who she is
CREATE TABLE client (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  name VARCHAR(120) NOT NULL,
  status VARCHAR(20) NOT NULL,
  due_date DATE NULL,
  height_cm DOUBLE NULL,
  mass_kg DOUBLE NULL,
  age INT NULL,
  dominant_hand VARCHAR(10) NULL,
  approach VARCHAR(40) NOT NULL,
  minutes_per_day INT NOT NULL,
  days_per_week INT NOT NULL,
  restrictions VARCHAR(200) NOT NULL DEFAULT '',
  note VARCHAR(500) NOT NULL DEFAULT '',
  version INT NOT NULL DEFAULT 0
);
CREATE TABLE body_event (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  kind VARCHAR(10) NOT NULL,
  happened_on DATE NOT NULL,
  birth_mode VARCHAR(20) NULL,
  tear_degree INT NOT NULL DEFAULT 0,
  what VARCHAR(120) NOT NULL DEFAULT '',
  UNIQUE (client_id, kind, happened_on),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE clearance (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  scope VARCHAR(20) NOT NULL,
  given_on DATE NOT NULL,
  expires_on DATE NULL,
  by_role VARCHAR(60) NOT NULL,
  by_name VARCHAR(120) NOT NULL DEFAULT '',
  note VARCHAR(300) NOT NULL DEFAULT '',
  recorded_by BIGINT NOT NULL,
  UNIQUE (client_id, scope, given_on, by_role),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- One visit a client and day: asked, checked, trained
CREATE TABLE visit (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  held_on DATE NOT NULL,
  staff_id BIGINT NOT NULL,
  asked_at DATETIME NULL,
  ask_first_override VARCHAR(300) NULL,
  ask_first_override_by BIGINT NULL,
  UNIQUE (client_id, held_on),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE visit_answer (
  visit_id BIGINT NOT NULL,
  code VARCHAR(30) NOT NULL,
  PRIMARY KEY (visit_id, code),
  FOREIGN KEY (visit_id) REFERENCES visit (id) ON DELETE CASCADE
);
CREATE TABLE reading (
  visit_id BIGINT NOT NULL,
  site_cm DOUBLE NOT NULL,
  condition_code VARCHAR(20) NOT NULL,
  method VARCHAR(20) NOT NULL,
  reading_values VARCHAR(120) NOT NULL,
  depth_mm DOUBLE NULL,
  feel VARCHAR(20) NULL,
  staff_id BIGINT NOT NULL,
  PRIMARY KEY (visit_id, site_cm, condition_code),
  FOREIGN KEY (visit_id) REFERENCES visit (id) ON DELETE CASCADE
);
CREATE TABLE finding (
  visit_id BIGINT NOT NULL,
  name VARCHAR(40) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  finding_value VARCHAR(60) NOT NULL,
  PRIMARY KEY (visit_id, name, side),
  FOREIGN KEY (visit_id) REFERENCES visit (id) ON DELETE CASCADE
);

-- Where she stands: append only, the newest step of a strand and side counts
CREATE TABLE ladder_step (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  strand VARCHAR(20) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  rung VARCHAR(10) NOT NULL,
  sets INT NOT NULL,
  reps INT NULL,
  hold_s INT NULL,
  breaths INT NULL,
  per_day INT NOT NULL,
  days_per_week INT NOT NULL,
  since DATE NOT NULL,
  change_code VARCHAR(20) NOT NULL,
  staff_id BIGINT NOT NULL,
  follows BIGINT NOT NULL DEFAULT 0,
  UNIQUE (client_id, strand, side, follows),
  INDEX (follows),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- A training session: what was planned for it, and the append-only log of what happened
CREATE TABLE training_session (
  id CHAR(36) NOT NULL PRIMARY KEY,
  client_id BIGINT NOT NULL,
  held_on DATE NOT NULL,
  staff_id BIGINT NOT NULL,
  finished_at DATETIME NULL,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE,
  INDEX (client_id, held_on)
);
CREATE TABLE session_item (
  session_id CHAR(36) NOT NULL,
  ordinal INT NOT NULL,
  rung VARCHAR(10) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  sets INT NOT NULL,
  reps INT NULL,
  hold_s INT NULL,
  breaths INT NULL,
  per_day INT NOT NULL,
  days_per_week INT NOT NULL,
  PRIMARY KEY (session_id, ordinal),
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);
CREATE TABLE run_event (
  seq BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  id CHAR(36) NOT NULL UNIQUE,
  session_id CHAR(36) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  rung VARCHAR(10) NULL,
  set_no INT NULL,
  rep_no INT NULL,
  sign VARCHAR(30) NULL,
  severity VARCHAR(10) NULL,
  side VARCHAR(5) NULL,
  pain_level INT NULL,
  recoverable BOOLEAN NULL,
  refers_to CHAR(36) NULL,
  move VARCHAR(20) NULL,
  lever VARCHAR(20) NULL,
  lever_from VARCHAR(30) NULL,
  lever_to VARCHAR(30) NULL,
  load_change_pct DOUBLE NULL,
  rule_id VARCHAR(5) NULL,
  reason VARCHAR(300) NULL,
  number_value INT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  INDEX (session_id, seq),
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);
CREATE TABLE session_result (
  session_id CHAR(36) NOT NULL,
  rung VARCHAR(10) NOT NULL,
  side VARCHAR(5) NOT NULL DEFAULT '',
  client_id BIGINT NOT NULL,
  held_on DATE NOT NULL,
  result VARCHAR(20) NOT NULL,
  effort INT NULL,
  next_day VARCHAR(120) NULL,
  signs VARCHAR(200) NOT NULL DEFAULT '',
  PRIMARY KEY (session_id, rung, side),
  INDEX (client_id, held_on),
  FOREIGN KEY (session_id) REFERENCES training_session (id) ON DELETE CASCADE
);

-- Who did what against the advice or the rules, and why
CREATE TABLE audit (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  staff_id BIGINT NOT NULL,
  client_id BIGINT NULL,
  what VARCHAR(40) NOT NULL,
  detail VARCHAR(500) NOT NULL,
  INDEX (client_id, at)
);

-- Sign-ins live in the database, so that a second instance shares them (tables of Spring Session)
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID CHAR(36) NOT NULL,
  SESSION_ID CHAR(36) NOT NULL,
  CREATION_TIME BIGINT NOT NULL,
  LAST_ACCESS_TIME BIGINT NOT NULL,
  MAX_INACTIVE_INTERVAL INT NOT NULL,
  EXPIRY_TIME BIGINT NOT NULL,
  PRINCIPAL_NAME VARCHAR(100),
  CONSTRAINT SPRING_SESSION_PK PRIMARY KEY (PRIMARY_ID)
) ENGINE=InnoDB ROW_FORMAT=DYNAMIC;
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);
CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) NOT NULL,
  ATTRIBUTE_NAME VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES BLOB NOT NULL,
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_PK PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
) ENGINE=InnoDB ROW_FORMAT=DYNAMIC;
