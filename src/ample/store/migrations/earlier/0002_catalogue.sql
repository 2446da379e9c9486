CREATE TABLE IF NOT EXISTS makers (
    maker_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(60) NOT NULL UNIQUE
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS dialect_codes (
    maker_id INT UNSIGNED NOT NULL,
    position SMALLINT UNSIGNED NOT NULL,
    code VARCHAR(8) NOT NULL,
    place VARCHAR(8) NOT NULL,
    attribute VARCHAR(40) NOT NULL,
    value VARCHAR(60) NOT NULL,
    meaning VARCHAR(120) NOT NULL,
    basis VARCHAR(60) NOT NULL,
    PRIMARY KEY (maker_id, position),
    CONSTRAINT dialect_maker FOREIGN KEY (maker_id) REFERENCES makers (maker_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS catalogue_items (
    item_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    maker_id INT UNSIGNED NOT NULL,
    marking VARCHAR(60) NOT NULL,
    designation VARCHAR(30) NOT NULL,
    series VARCHAR(10) NOT NULL,
    bore_mm DECIMAL(10, 6) NOT NULL,
    outside_mm DECIMAL(10, 6) NOT NULL,
    width_mm DECIMAL(10, 6) NOT NULL,
    closure VARCHAR(20) NOT NULL,
    clearance VARCHAR(2) NOT NULL,
    tolerance_class VARCHAR(8) NOT NULL,
    stock_quantity INT UNSIGNED NOT NULL DEFAULT 0,
    stock_place VARCHAR(30) NOT NULL DEFAULT '',
    confirmed_count INT UNSIGNED NOT NULL DEFAULT 0,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    UNIQUE KEY item_marking (maker_id, marking),
    KEY item_designation (designation),
    KEY item_size (bore_mm, outside_mm, width_mm),
    CONSTRAINT item_maker FOREIGN KEY (maker_id) REFERENCES makers (maker_id),
    CONSTRAINT item_sizes CHECK (bore_mm > 0 AND outside_mm > bore_mm AND width_mm > 0)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS cross_references (
    cross_reference_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    old_marking VARCHAR(60) NOT NULL,
    item_id INT UNSIGNED NOT NULL,
    said_by VARCHAR(60) NOT NULL,
    said_on DATE NOT NULL,
    source VARCHAR(120) NOT NULL,
    KEY cross_old (old_marking),
    CONSTRAINT cross_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS suppliers (
    supplier_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    name VARCHAR(60) NOT NULL UNIQUE,
    place VARCHAR(60) NOT NULL,
    lead_days SMALLINT UNSIGNED NOT NULL
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS offers (
    supplier_id INT UNSIGNED NOT NULL,
    item_id INT UNSIGNED NOT NULL,
    price DECIMAL(10, 2) NOT NULL,
    lead_days SMALLINT UNSIGNED NOT NULL,
    PRIMARY KEY (item_id, supplier_id),
    CONSTRAINT offer_supplier FOREIGN KEY (supplier_id) REFERENCES suppliers (supplier_id),
    CONSTRAINT offer_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS catalogue_state (
    only_row TINYINT UNSIGNED NOT NULL PRIMARY KEY,
    revision INT UNSIGNED NOT NULL
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

INSERT IGNORE INTO catalogue_state (only_row, revision) VALUES (1, 1);
