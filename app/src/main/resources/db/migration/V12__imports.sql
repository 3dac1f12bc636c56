-- A case file that was brought in: what it said until it is taken, which client it became, and how she stood right after
CREATE TABLE import_batch (
  form_id CHAR(36) NOT NULL PRIMARY KEY,
  staff_id BIGINT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  file_name VARCHAR(120) NOT NULL,
  body MEDIUMTEXT NOT NULL,
  client_id BIGINT NULL,
  client_touched_at DATETIME(6) NULL,
  undone_at DATETIME NULL,
  INDEX (made_at)
);
