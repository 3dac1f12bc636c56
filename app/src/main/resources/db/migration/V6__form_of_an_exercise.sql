-- Inclined, on forearms or off the floor, as the plan had it: beside the mat it must not be lost.
ALTER TABLE session_item ADD COLUMN form VARCHAR(20) NOT NULL DEFAULT 'PLAIN' AFTER rung;
