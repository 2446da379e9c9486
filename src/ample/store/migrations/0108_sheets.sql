-- Sheets: one table for all kinds, their versions, what SQL may ask of them, and who has signed them. Units over their jobs.
-- What stood in seat_sheets and seat_readings goes over at the next start (shop/upgrade.py), which then empties them.
CREATE TABLE IF NOT EXISTS units (
    unit_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
    title VARCHAR(80) NOT NULL,
    model VARCHAR(60) NOT NULL DEFAULT '',
    serial VARCHAR(60) NOT NULL DEFAULT '',
    place VARCHAR(80) NOT NULL DEFAULT '',
    version INT UNSIGNED NOT NULL DEFAULT 1,
    PRIMARY KEY (unit_id),
    KEY unit_serial (serial)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

ALTER TABLE jobs
    ADD COLUMN IF NOT EXISTS unit_id INT UNSIGNED NULL,
    ADD CONSTRAINT job_unit FOREIGN KEY IF NOT EXISTS (unit_id) REFERENCES units (unit_id);

CREATE TABLE IF NOT EXISTS sheets (
    sheet_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
    subject VARCHAR(10) NOT NULL,
    subject_id INT UNSIGNED NOT NULL,
    kind VARCHAR(20) NOT NULL,
    version INT UNSIGNED NOT NULL,
    body LONGTEXT NOT NULL,
    changed_at DATETIME(6) NOT NULL,
    person_id INT UNSIGNED NULL,
    PRIMARY KEY (sheet_id),
    UNIQUE KEY sheet_of (subject, subject_id, kind),
    CONSTRAINT sheet_person FOREIGN KEY (person_id) REFERENCES people (person_id),
    CONSTRAINT sheet_is_json CHECK (JSON_VALID(body))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sheet_versions (
    sheet_id INT UNSIGNED NOT NULL,
    version INT UNSIGNED NOT NULL,
    person_id INT UNSIGNED NULL,
    began_at DATETIME(6) NOT NULL,
    ended_at DATETIME(6) NOT NULL,
    body LONGTEXT NOT NULL,
    PRIMARY KEY (sheet_id, version),
    CONSTRAINT version_sheet FOREIGN KEY (sheet_id) REFERENCES sheets (sheet_id),
    CONSTRAINT version_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sheet_values (
    sheet_id INT UNSIGNED NOT NULL,
    name VARCHAR(40) NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    text VARCHAR(200) NULL,
    number DECIMAL(20,7) NULL,
    PRIMARY KEY (sheet_id, name, position),
    KEY value_name (name),
    CONSTRAINT value_sheet FOREIGN KEY (sheet_id) REFERENCES sheets (sheet_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sheet_signatures (
    signature_id INT UNSIGNED NOT NULL AUTO_INCREMENT,
    sheet_id INT UNSIGNED NOT NULL,
    version INT UNSIGNED NOT NULL,
    person_id INT UNSIGNED NULL,
    signed_at DATETIME(6) NOT NULL,
    from_file VARCHAR(60) NOT NULL DEFAULT '',
    PRIMARY KEY (signature_id),
    UNIQUE KEY signed_once (sheet_id, version, person_id, from_file),
    CONSTRAINT signature_sheet FOREIGN KEY (sheet_id) REFERENCES sheets (sheet_id),
    CONSTRAINT signature_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;
