CREATE TABLE IF NOT EXISTS instruments (
    instrument_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(40) NOT NULL UNIQUE,
    kind VARCHAR(20) NOT NULL,
    outside_u_mm DECIMAL(8, 5) NOT NULL,
    inside_u_mm DECIMAL(8, 5) NOT NULL,
    scatter_mm DECIMAL(8, 5) NOT NULL,
    calibrated_on DATE NOT NULL,
    months_valid SMALLINT UNSIGNED NOT NULL DEFAULT 12,
    version INT UNSIGNED NOT NULL DEFAULT 1
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS jobs (
    job_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    number VARCHAR(12) NOT NULL UNIQUE,
    title VARCHAR(80) NOT NULL,
    owner VARCHAR(80) NOT NULL DEFAULT '',
    symptom VARCHAR(200) NOT NULL DEFAULT '',
    opened_at DATETIME(6) NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS parts (
    part_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    name VARCHAR(80) NOT NULL,
    surroundings VARCHAR(160) NOT NULL DEFAULT '',
    dirty BOOLEAN NOT NULL DEFAULT FALSE,
    rpm INT UNSIGNED NULL,
    family VARCHAR(20) NOT NULL DEFAULT 'bearing',
    marking VARCHAR(60) NOT NULL DEFAULT '',
    condition_seen VARCHAR(12) NOT NULL DEFAULT '',
    version INT UNSIGNED NOT NULL DEFAULT 1,
    UNIQUE KEY part_position (job_id, position),
    CONSTRAINT part_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS readings (
    part_id INT UNSIGNED NOT NULL,
    feature VARCHAR(20) NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    typed VARCHAR(80) NOT NULL,
    unit CHAR(2) NOT NULL,
    value_mm DECIMAL(12, 7) NOT NULL,
    instrument VARCHAR(40) NOT NULL,
    PRIMARY KEY (part_id, feature, position),
    CONSTRAINT reading_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS identifications (
    part_id INT UNSIGNED NOT NULL PRIMARY KEY,
    item_id INT UNSIGNED NOT NULL,
    probability DECIMAL(9, 8) NOT NULL,
    worst_sigmas DECIMAL(8, 2) NULL,
    clash VARCHAR(300) NOT NULL DEFAULT '',
    features_read SMALLINT UNSIGNED NOT NULL,
    marking_read BOOLEAN NOT NULL,
    person_id INT UNSIGNED NOT NULL,
    decided_at DATETIME(6) NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT identification_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT identification_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT identification_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS matches (
    part_id INT UNSIGNED NOT NULL PRIMARY KEY,
    item_id INT UNSIGNED NOT NULL,
    verdict VARCHAR(30) NOT NULL,
    words VARCHAR(300) NOT NULL,
    person_id INT UNSIGNED NOT NULL,
    decided_at DATETIME(6) NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT match_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT match_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT match_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;
