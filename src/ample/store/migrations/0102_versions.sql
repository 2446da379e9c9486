-- What people change has a version: codes of a maker too.
ALTER TABLE makers ADD COLUMN IF NOT EXISTS version INT UNSIGNED NOT NULL DEFAULT 1;
