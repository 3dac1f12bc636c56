-- How far a rung goes, 0 easiest to 1 full: where she stands, what was planned, what was done
ALTER TABLE ladder_step ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;
ALTER TABLE session_item ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;
ALTER TABLE session_result ADD COLUMN range_fraction DOUBLE NOT NULL DEFAULT 1;

-- A practitioner's own rungs, each as a strand file of one rung that passed the same check as the shipped ones
CREATE TABLE house_rung (
  code VARCHAR(10) NOT NULL PRIMARY KEY,
  rung_text TEXT NOT NULL,
  staff_id BIGINT NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3)
);
