-- What a job file brings is no proof made here: who the file names stays a name, and is shown as from the file.
ALTER TABLE identifications ADD COLUMN IF NOT EXISTS from_file VARCHAR(60) NULL;

ALTER TABLE matches ADD COLUMN IF NOT EXISTS from_file VARCHAR(60) NULL;

ALTER TABLE line_parts ADD COLUMN IF NOT EXISTS judged_in_file VARCHAR(60) NULL;

ALTER TABLE caution_acknowledgements ADD COLUMN IF NOT EXISTS from_file BOOLEAN NOT NULL DEFAULT FALSE;
