-- A round beside a simulated client: made again from its seed, set against what was called out.
CREATE TABLE spotting_round (
  form_id CHAR(36) NOT NULL PRIMARY KEY,
  staff_id BIGINT NOT NULL,
  seed BIGINT NOT NULL,
  rung VARCHAR(40) NOT NULL,
  level INT NOT NULL,
  score DOUBLE NOT NULL,
  marks LONGTEXT NOT NULL,
  taken_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  INDEX (staff_id, taken_at),
  FOREIGN KEY (staff_id) REFERENCES staff (id) ON DELETE CASCADE
);
