-- Whoever checks the zero of an instrument says so: for that day its zero is trusted.
ALTER TABLE instruments
    ADD COLUMN IF NOT EXISTS zero_checked_on DATE NULL;
