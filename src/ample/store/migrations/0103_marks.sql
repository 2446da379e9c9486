-- An identification, an override and a decision are bound to a mark of the facts that they were made on.
ALTER TABLE identifications
    ADD COLUMN IF NOT EXISTS facts_mark CHAR(16) CHARACTER SET ascii COLLATE ascii_bin NULL,
    ADD COLUMN IF NOT EXISTS judged_mark CHAR(16) CHARACTER SET ascii COLLATE ascii_bin NULL;

ALTER TABLE gate_passes
    ADD COLUMN IF NOT EXISTS facts_mark CHAR(16) CHARACTER SET ascii COLLATE ascii_bin NULL;

ALTER TABLE part_decisions ADD COLUMN IF NOT EXISTS from_file BOOLEAN NOT NULL DEFAULT FALSE;

ALTER TABLE photos ADD COLUMN IF NOT EXISTS plain BOOLEAN NOT NULL DEFAULT FALSE;
