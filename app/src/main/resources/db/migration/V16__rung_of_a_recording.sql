-- What she did in a recording that a file brought, as far as somebody says: its tempo is read by it, its figure shown
ALTER TABLE recording ADD COLUMN rung VARCHAR(12) NOT NULL DEFAULT '';
