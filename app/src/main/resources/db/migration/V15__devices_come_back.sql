-- How a device whose connection was lost finds its recording again, and when it was last heard on whichever instance
ALTER TABLE recording
  ADD COLUMN again_hash CHAR(64) NULL,
  ADD COLUMN heard_at DATETIME NULL,
  ADD INDEX (again_hash);
