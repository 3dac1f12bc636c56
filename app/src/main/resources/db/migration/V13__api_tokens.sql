-- What other programs read with: a digest of the secret, what it opens, and until when
CREATE TABLE api_token (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  form_id CHAR(36) NOT NULL UNIQUE,
  name VARCHAR(80) NOT NULL,
  token_hash CHAR(64) NOT NULL UNIQUE,
  scopes VARCHAR(120) NOT NULL,
  made_by BIGINT NOT NULL,
  made_at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
  expires_on DATE NOT NULL,
  revoked_at DATETIME NULL,
  used_at DATETIME NULL
);

-- How often each caller asked in the minute under way, whichever instance was asked
CREATE TABLE api_use (
  caller VARCHAR(40) NOT NULL PRIMARY KEY,
  minute_no BIGINT NOT NULL,
  calls INT NOT NULL
);
