-- A private address of a client's calendar, for her phone; only its digest is kept, so that it is shown once
CREATE TABLE calendar_feed (
  client_id BIGINT NOT NULL PRIMARY KEY,
  token_hash CHAR(64) NOT NULL UNIQUE,
  made_by BIGINT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  FOREIGN KEY (client_id) REFERENCES client (id) ON DELETE CASCADE
);
