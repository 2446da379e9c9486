-- People that a shop keeps itself: a PIN given by another is replaced at the first sign-in; what the owner has
-- changed of who may do what; the code of a shop without an owner; how often signing in failed, counted before
-- the hash; where calipers may be.
ALTER TABLE people
    ADD COLUMN IF NOT EXISTS choose_secret BOOLEAN NOT NULL DEFAULT FALSE,
    ADD COLUMN IF NOT EXISTS added_at DATETIME(6) NULL,
    ADD COLUMN IF NOT EXISTS signed_in_at DATETIME(6) NULL;

ALTER TABLE sessions
    ADD COLUMN IF NOT EXISTS address VARCHAR(45) NOT NULL DEFAULT '';

CREATE TABLE IF NOT EXISTS role_rights (
    role VARCHAR(12) NOT NULL,
    right_name VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    allowed BOOLEAN NOT NULL,
    order_limit DECIMAL(12, 2) NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    PRIMARY KEY (role, right_name),
    CONSTRAINT role_rights_role CHECK (role IN ('counter', 'bench', 'buyer'))
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS first_owner_codes (
    code_hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    expires_at DATETIME(6) NOT NULL
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sign_in_brakes (
    bucket VARCHAR(120) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    failures INT UNSIGNED NOT NULL,
    next_at DATETIME(6) NOT NULL,
    last_at DATETIME(6) NOT NULL,
    KEY brakes_last (last_at)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS caliper_networks (
    network VARCHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

-- A caliper that a shop had linked before stays linked: its address counts as allowed.
INSERT IGNORE INTO caliper_networks (network)
SELECT DISTINCT host FROM calipers WHERE host REGEXP '^[0-9]{1,3}([.][0-9]{1,3}){3}$' AND host NOT LIKE '127.%';
