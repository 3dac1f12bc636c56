-- Skin and hair of the figures she sees, chosen once; where nothing was chosen, the neutral ones
ALTER TABLE client
  ADD COLUMN look_skin VARCHAR(10) NULL,
  ADD COLUMN look_hair VARCHAR(10) NULL;
