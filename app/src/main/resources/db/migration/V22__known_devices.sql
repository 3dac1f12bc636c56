-- A device on which somebody has signed in before goes on while others are slowed down.
CREATE TABLE known_device (
  token_hash CHAR(64) NOT NULL,
  staff_id BIGINT NOT NULL,
  known_since DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  last_used DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (token_hash, staff_id),
  FOREIGN KEY (staff_id) REFERENCES staff (id)
);

ALTER TABLE sign_in_try ADD COLUMN device CHAR(64) NOT NULL DEFAULT '';
