-- What the house says to its clients: its numbers, its quiet hours. One row a setting.
CREATE TABLE house_setting (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  setting_value VARCHAR(200) NOT NULL
);

-- How a client is spoken to and reached
CREATE TABLE contact (
  client_id BIGINT NOT NULL PRIMARY KEY,
  language VARCHAR(5) NOT NULL DEFAULT 'en',
  units VARCHAR(10) NOT NULL DEFAULT 'METRIC',
  email VARCHAR(200) NOT NULL DEFAULT '',
  messages_off BOOLEAN NOT NULL DEFAULT FALSE,
  off_token VARCHAR(64) NULL UNIQUE,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- Her home page: one link, of which only the digest is kept, and a PIN
CREATE TABLE home_link (
  client_id BIGINT NOT NULL PRIMARY KEY,
  token_hash CHAR(64) NOT NULL UNIQUE,
  pin_hash VARCHAR(200) NOT NULL,
  made_by BIGINT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  expires_on DATE NOT NULL,
  wrong_tries INT NOT NULL DEFAULT 0,
  last_wrong_at DATETIME(3) NULL,
  locked_at DATETIME NULL,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
-- A phone on which the PIN was given
CREATE TABLE home_pass (
  pass_hash CHAR(64) NOT NULL PRIMARY KEY,
  client_id BIGINT NOT NULL,
  expires_at DATETIME NOT NULL,
  INDEX (client_id),
  FOREIGN KEY (client_id) REFERENCES home_link (client_id) ON DELETE CASCADE
);
-- What she told there, in the order in which it arrived; an id that comes again is the same entry
CREATE TABLE home_event (
  id CHAR(36) NOT NULL PRIMARY KEY,
  client_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  told_at DATETIME NOT NULL,
  received_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  body_hash CHAR(64) NOT NULL,
  INDEX (client_id, received_at),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
-- What of it somebody must look at; an answer that closes stands until a person with the licence takes it back
CREATE TABLE home_flag (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  kind VARCHAR(10) NOT NULL,
  code VARCHAR(30) NOT NULL,
  told_at DATETIME NOT NULL,
  attended_at DATETIME NULL,
  attended_by BIGINT NULL,
  attended_how VARCHAR(300) NOT NULL DEFAULT '',
  UNIQUE (client_id, kind, code, told_at),
  INDEX (client_id, attended_at),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TRIGGER home_flag_made AFTER INSERT ON home_flag FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
CREATE TRIGGER home_flag_changed AFTER UPDATE ON home_flag FOR EACH ROW UPDATE client SET touched_at = NOW(6) WHERE id = NEW.client_id;
-- What she minded of her daily life, a row for each tick
CREATE TABLE daily_life (
  client_id BIGINT NOT NULL,
  day DATE NOT NULL,
  code VARCHAR(30) NOT NULL,
  PRIMARY KEY (client_id, day, code),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);

-- Mail that is to go out, went out or did not
CREATE TABLE outbox (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  once_key VARCHAR(120) NOT NULL UNIQUE,
  client_id BIGINT NULL,
  kind VARCHAR(20) NOT NULL,
  to_address VARCHAR(200) NOT NULL,
  subject VARCHAR(200) NOT NULL,
  body TEXT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  not_before DATETIME NOT NULL,
  tries INT NOT NULL DEFAULT 0,
  state VARCHAR(10) NOT NULL DEFAULT 'WAITING',
  taken_by CHAR(36) NULL,
  taken_at DATETIME NULL,
  sent_at DATETIME NULL,
  last_error VARCHAR(300) NOT NULL DEFAULT '',
  INDEX (state, not_before),
  INDEX (client_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
-- A house's own words for a message, by kind and language
CREATE TABLE message_text (
  kind VARCHAR(20) NOT NULL,
  language VARCHAR(5) NOT NULL,
  subject VARCHAR(200) NOT NULL,
  body TEXT NOT NULL,
  PRIMARY KEY (kind, language)
);

-- Letters, every version of them
CREATE TABLE letter (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  client_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  language VARCHAR(5) NOT NULL,
  made_on DATE NOT NULL,
  INDEX (client_id),
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
CREATE TABLE letter_version (
  letter_id BIGINT NOT NULL,
  client_id BIGINT NOT NULL,
  version INT NOT NULL,
  addressee VARCHAR(200) NOT NULL DEFAULT '',
  body TEXT NOT NULL,
  staff_id BIGINT NOT NULL,
  written_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (letter_id, version),
  FOREIGN KEY (letter_id) REFERENCES letter (id) ON DELETE CASCADE
);
