-- Pairs of one visit and pairs of two say how much of an error a visit shares; those kept so far were taken on one
ALTER TABLE repeat_pair
  ADD COLUMN repeat_code VARCHAR(20) NOT NULL DEFAULT 'WITHIN_VISIT' AFTER on_trainer;
ALTER TABLE reading
  ADD INDEX (staff_id, visit_id);
