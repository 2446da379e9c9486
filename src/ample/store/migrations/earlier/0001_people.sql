CREATE TABLE IF NOT EXISTS people (
    person_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(60) NOT NULL UNIQUE,
    role VARCHAR(12) NOT NULL,
    secret_hash VARCHAR(200) NOT NULL,
    demo_pin VARCHAR(12) NULL,
    active BOOLEAN NOT NULL DEFAULT TRUE,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT people_role CHECK (role IN ('counter', 'bench', 'buyer', 'owner'))
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sessions (
    token_hash CHAR(64) NOT NULL PRIMARY KEY,
    person_id INT UNSIGNED NOT NULL,
    created_at DATETIME(6) NOT NULL,
    expires_at DATETIME(6) NOT NULL,
    KEY sessions_person (person_id),
    CONSTRAINT sessions_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sign_in_attempts (
    attempt_id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(60) NOT NULL,
    address VARCHAR(45) NOT NULL,
    succeeded BOOLEAN NOT NULL,
    tried_at DATETIME(6) NOT NULL,
    KEY attempts_name (name, tried_at),
    KEY attempts_address (address, tried_at)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS audit (
    audit_id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    happened_at DATETIME(6) NOT NULL,
    person_id INT UNSIGNED NOT NULL,
    subject VARCHAR(30) NOT NULL,
    subject_id BIGINT UNSIGNED NOT NULL,
    action VARCHAR(40) NOT NULL,
    before_json LONGTEXT NULL,
    after_json LONGTEXT NULL,
    KEY audit_subject (subject, subject_id),
    CONSTRAINT audit_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS idempotency (
    person_id INT UNSIGNED NOT NULL,
    request_key VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    fingerprint CHAR(64) NOT NULL,
    status SMALLINT UNSIGNED NULL,
    answer LONGTEXT NULL,
    created_at DATETIME(6) NOT NULL,
    PRIMARY KEY (person_id, request_key),
    CONSTRAINT idempotency_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;
