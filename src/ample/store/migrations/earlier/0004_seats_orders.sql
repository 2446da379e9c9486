CREATE TABLE IF NOT EXISTS seat_sheets (
    part_id INT UNSIGNED NOT NULL PRIMARY KEY,
    turning VARCHAR(10) NOT NULL DEFAULT 'shaft',
    load_level VARCHAR(10) NOT NULL DEFAULT 'normal',
    slides BOOLEAN NOT NULL DEFAULT FALSE,
    split BOOLEAN NOT NULL DEFAULT FALSE,
    warmer_inner_k DECIMAL(5, 1) NOT NULL DEFAULT 10,
    shaft_zone VARCHAR(6) NOT NULL DEFAULT '',
    housing_zone VARCHAR(6) NOT NULL DEFAULT '',
    shaft_instrument VARCHAR(40) NOT NULL DEFAULT 'micrometer',
    housing_instrument VARCHAR(40) NOT NULL DEFAULT 'bore_gauge',
    temperature_c DECIMAL(5, 1) NOT NULL DEFAULT 20,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    CONSTRAINT sheet_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS seat_readings (
    part_id INT UNSIGNED NOT NULL,
    side VARCHAR(8) NOT NULL,
    plane TINYINT UNSIGNED NOT NULL,
    direction TINYINT UNSIGNED NOT NULL,
    typed VARCHAR(80) NOT NULL,
    value_mm DECIMAL(12, 7) NOT NULL,
    PRIMARY KEY (part_id, side, plane, direction),
    CONSTRAINT seat_reading_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS orders (
    order_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    number VARCHAR(12) NOT NULL UNIQUE,
    supplier_id INT UNSIGNED NOT NULL,
    state VARCHAR(10) NOT NULL DEFAULT 'open',
    placed_at DATETIME(6) NULL,
    placed_by INT UNSIGNED NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    KEY order_supplier (supplier_id, state),
    CONSTRAINT order_supplier FOREIGN KEY (supplier_id) REFERENCES suppliers (supplier_id),
    CONSTRAINT order_state CHECK (state IN ('open', 'placed'))
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS order_lines (
    line_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    order_id INT UNSIGNED NOT NULL,
    part_id INT UNSIGNED NOT NULL UNIQUE,
    item_id INT UNSIGNED NOT NULL,
    quantity SMALLINT UNSIGNED NOT NULL,
    price DECIMAL(10, 2) NOT NULL,
    lead_days SMALLINT UNSIGNED NOT NULL,
    version INT UNSIGNED NOT NULL DEFAULT 1,
    KEY line_order (order_id),
    CONSTRAINT line_order FOREIGN KEY (order_id) REFERENCES orders (order_id),
    CONSTRAINT line_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT line_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT line_quantity CHECK (quantity BETWEEN 1 AND 999)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS gate_passes (
    pass_id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
    line_id INT UNSIGNED NOT NULL,
    light VARCHAR(12) NOT NULL,
    words VARCHAR(300) NOT NULL,
    reason VARCHAR(300) NOT NULL,
    person_id INT UNSIGNED NOT NULL,
    passed_at DATETIME(6) NOT NULL,
    KEY pass_line (line_id),
    CONSTRAINT pass_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;
