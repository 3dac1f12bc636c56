-- People: accounts can be closed, have a second factor, and are made through a link that works once
ALTER TABLE staff ADD COLUMN disabled_at DATETIME NULL, ADD COLUMN totp_secret VARCHAR(64) NULL,
  ADD COLUMN totp_last_step BIGINT NOT NULL DEFAULT 0;
CREATE TABLE sign_up_link (
  token_hash CHAR(64) NOT NULL PRIMARY KEY,
  staff_id BIGINT NOT NULL,
  made_by BIGINT NOT NULL,
  expires_at DATETIME NOT NULL,
  used_at DATETIME NULL,
  INDEX (staff_id),
  FOREIGN KEY (staff_id) REFERENCES staff (id) ON DELETE CASCADE
);
CREATE TABLE recovery_code (
  staff_id BIGINT NOT NULL,
  code_hash CHAR(64) NOT NULL,
  PRIMARY KEY (staff_id, code_hash),
  FOREIGN KEY (staff_id) REFERENCES staff (id) ON DELETE CASCADE
);
-- Tries to sign in, so that every instance slows the same account and address down
CREATE TABLE sign_in_try (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  username VARCHAR(60) NOT NULL,
  address VARCHAR(64) NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  succeeded BOOLEAN NOT NULL,
  INDEX (username, at),
  INDEX (address, at)
);

-- Who sees whom, what is agreed, what rests
ALTER TABLE client ADD COLUMN restricted BOOLEAN NOT NULL DEFAULT FALSE, ADD COLUMN next_visit_on DATE NULL,
  ADD COLUMN archived_at DATETIME NULL,
  ADD INDEX (restricted), ADD INDEX (archived_at);

-- The record: what a value was before, who changed it, when and why
CREATE TABLE record_change (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  visit_id BIGINT NULL,
  part VARCHAR(60) NOT NULL,
  before_value VARCHAR(600) NULL,
  after_value VARCHAR(600) NULL,
  reason VARCHAR(300) NOT NULL DEFAULT '',
  staff_id BIGINT NOT NULL,
  at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  INDEX (client_id, id),
  INDEX (visit_id, part),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- The audit trail is only ever added to; what it says about a person lies apart, so that erasing her leaves a stub
ALTER TABLE audit ADD COLUMN address VARCHAR(64) NOT NULL DEFAULT '', ADD INDEX (at), ADD INDEX (staff_id, at);
CREATE TABLE audit_detail (
  audit_id BIGINT NOT NULL PRIMARY KEY,
  client_id BIGINT NULL,
  detail VARCHAR(500) NOT NULL,
  INDEX (client_id)
);
INSERT INTO audit_detail (audit_id, client_id, detail) SELECT id, client_id, detail FROM audit WHERE detail <> '';
ALTER TABLE audit DROP COLUMN detail;

-- A page that comes back with everything that was typed is larger than 64 kB at most
ALTER TABLE SPRING_SESSION_ATTRIBUTES MODIFY ATTRIBUTE_BYTES MEDIUMBLOB NOT NULL;
