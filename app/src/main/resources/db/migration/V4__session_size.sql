-- Exercises in a session at most, 2 to 10; NULL is what her stance says
ALTER TABLE client ADD COLUMN exercises_at_most TINYINT NULL;
