-- How much of an exercise was done; where it is not on record, all of her dose
ALTER TABLE session_result
  ADD COLUMN sets_done INT NULL,
  ADD COLUMN times_done INT NULL,
  ADD COLUMN hold_s INT NULL;
