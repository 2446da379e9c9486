CREATE TABLE IF NOT EXISTS unit_models (
    model_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(60) NOT NULL UNIQUE,
    unit VARCHAR(20) NOT NULL,
    question VARCHAR(160) NOT NULL DEFAULT ''
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS unit_builds (
    model_id INT UNSIGNED NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    build VARCHAR(40) NOT NULL,
    answer VARCHAR(120) NOT NULL,
    picture VARCHAR(20) NOT NULL,
    serial_range VARCHAR(60) NOT NULL DEFAULT '',
    differs VARCHAR(160) NOT NULL DEFAULT '',
    PRIMARY KEY (model_id, position),
    UNIQUE KEY build_name (model_id, build),
    CONSTRAINT build_model FOREIGN KEY (model_id) REFERENCES unit_models (model_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS unit_spares (
    model_id INT UNSIGNED NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    build VARCHAR(40) NOT NULL DEFAULT '',
    name VARCHAR(80) NOT NULL,
    quantity SMALLINT UNSIGNED NOT NULL,
    item_id INT UNSIGNED NULL,
    in_stock SMALLINT UNSIGNED NULL,
    lead_days SMALLINT UNSIGNED NULL,
    PRIMARY KEY (model_id, position),
    CONSTRAINT spare_model FOREIGN KEY (model_id) REFERENCES unit_models (model_id),
    CONSTRAINT spare_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS take_ins (
    job_id INT UNSIGNED NOT NULL PRIMARY KEY,
    unit VARCHAR(20) NOT NULL DEFAULT 'other',
    plate VARCHAR(200) NOT NULL DEFAULT '',
    model VARCHAR(60) NOT NULL DEFAULT '',
    build VARCHAR(40) NOT NULL DEFAULT '',
    serial VARCHAR(60) NOT NULL DEFAULT '',
    since VARCHAR(60) NOT NULL DEFAULT '',
    lie_open_days SMALLINT UNSIGNED NULL,
    access VARCHAR(10) NOT NULL DEFAULT 'cheap',
    planned TEXT NOT NULL DEFAULT '',
    note_next TEXT NOT NULL DEFAULT '',
    version INT UNSIGNED NOT NULL DEFAULT 1,
    KEY take_in_model (model),
    CONSTRAINT take_in_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS take_in_words (
    job_id INT UNSIGNED NOT NULL,
    kind VARCHAR(10) NOT NULL,
    name VARCHAR(60) NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    result VARCHAR(10) NOT NULL DEFAULT '',
    PRIMARY KEY (job_id, kind, name),
    CONSTRAINT word_job FOREIGN KEY (job_id) REFERENCES jobs (job_id),
    CONSTRAINT word_kind CHECK (kind IN ('sign', 'energy', 'fluid', 'work', 'checked'))
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS caution_acknowledgements (
    job_id INT UNSIGNED NOT NULL,
    caution VARCHAR(40) NOT NULL,
    person_id INT UNSIGNED NULL,
    person VARCHAR(60) NOT NULL,
    acknowledged_at DATETIME(6) NOT NULL,
    PRIMARY KEY (job_id, caution),
    CONSTRAINT acknowledged_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS line_sheets (
    job_id INT UNSIGNED NOT NULL PRIMARY KEY,
    lines_json JSON NOT NULL,
    ties_json JSON NOT NULL,
    loose_json JSON NOT NULL,
    contradictions SMALLINT UNSIGNED NOT NULL DEFAULT 0,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT line_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS line_parts (
    job_id INT UNSIGNED NOT NULL,
    part_key VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    line_key VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    kind VARCHAR(24) NOT NULL,
    name VARCHAR(80) NOT NULL,
    beside BOOLEAN NOT NULL,
    quantity SMALLINT UNSIGNED NOT NULL,
    inside_mm DECIMAL(12, 7) NULL,
    outside_mm DECIMAL(12, 7) NULL,
    width_mm DECIMAL(12, 7) NULL,
    verdict VARCHAR(20) NOT NULL,
    judged_by INT UNSIGNED NULL,
    details JSON NOT NULL,
    PRIMARY KEY (job_id, part_key),
    KEY line_part_order (job_id, position),
    CONSTRAINT line_part_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS part_decisions (
    decision_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    part_key VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    findings_mark CHAR(16) NOT NULL,
    verdict VARCHAR(20) NOT NULL,
    reason VARCHAR(300) NOT NULL,
    person_id INT UNSIGNED NULL,
    person VARCHAR(60) NOT NULL,
    decided_at DATETIME(6) NOT NULL,
    KEY decision_part (job_id, part_key),
    CONSTRAINT decision_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS photos (
    photo_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    job_id INT UNSIGNED NOT NULL,
    part_key VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
    place_x DECIMAL(7, 5) NULL,
    place_y DECIMAL(7, 5) NULL,
    caption VARCHAR(160) NOT NULL DEFAULT '',
    width_px SMALLINT UNSIGNED NOT NULL,
    height_px SMALLINT UNSIGNED NOT NULL,
    image MEDIUMBLOB NOT NULL,
    thumbnail MEDIUMBLOB NOT NULL,
    person VARCHAR(60) NOT NULL,
    taken_at DATETIME(6) NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    KEY photo_job (job_id),
    CONSTRAINT photo_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

ALTER TABLE parts ADD COLUMN IF NOT EXISTS line_key VARCHAR(24) CHARACTER SET ascii COLLATE ascii_bin NULL;

ALTER TABLE parts ADD UNIQUE INDEX IF NOT EXISTS part_line_key (job_id, line_key);
