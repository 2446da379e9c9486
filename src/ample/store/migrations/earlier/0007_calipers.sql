CREATE TABLE IF NOT EXISTS calipers (
    caliper_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(40) NOT NULL UNIQUE,
    host VARCHAR(100) NOT NULL,
    port SMALLINT UNSIGNED NOT NULL,
    state VARCHAR(10) NOT NULL DEFAULT 'away',
    words VARCHAR(160) NOT NULL DEFAULT '',
    battery_percent TINYINT UNSIGNED NULL,
    heard_at DATETIME(6) NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT caliper_state CHECK (state IN ('linked', 'away', 'unclear'))
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS caliper_readings (
    reading_id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    caliper_id INT UNSIGNED NOT NULL,
    typed VARCHAR(20) NOT NULL,
    unit CHAR(2) NOT NULL,
    received_at DATETIME(6) NOT NULL,
    KEY reading_time (received_at),
    CONSTRAINT reading_caliper FOREIGN KEY (caliper_id) REFERENCES calipers (caliper_id) ON DELETE CASCADE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;
