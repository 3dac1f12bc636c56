-- A table that was brought in: its bytes until it is taken, how it is read, and how far it got
CREATE TABLE table_import (
  form_id CHAR(36) NOT NULL PRIMARY KEY,
  staff_id BIGINT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  file_name VARCHAR(120) NOT NULL,
  body MEDIUMBLOB NOT NULL,
  kind VARCHAR(20) NULL,
  matched VARCHAR(600) NOT NULL DEFAULT '',
  about VARCHAR(120) NOT NULL DEFAULT '',
  characters VARCHAR(30) NULL,
  state VARCHAR(12) NOT NULL DEFAULT 'LOOKED',
  rows_done INT NOT NULL DEFAULT 0,
  rows_all INT NOT NULL DEFAULT 0,
  cancelled BOOLEAN NOT NULL DEFAULT FALSE,
  moved_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  INDEX (made_at)
);

-- What each row wrote, so that it can be taken back for a day
CREATE TABLE table_import_row (
  form_id CHAR(36) NOT NULL,
  line_no INT NOT NULL,
  what VARCHAR(10) NOT NULL,
  client_id BIGINT NOT NULL,
  record_key VARCHAR(120) NOT NULL,
  before_value VARCHAR(300) NULL,
  after_value VARCHAR(600) NOT NULL,
  PRIMARY KEY (form_id, line_no, what),
  INDEX (client_id),
  FOREIGN KEY (form_id) REFERENCES table_import (form_id) ON DELETE CASCADE,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
