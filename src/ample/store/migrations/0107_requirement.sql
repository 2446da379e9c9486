-- What is known of a part goes with it: what was seen or said of its attributes, what it has to bear, how many are needed, and the requirement that comes of it.
ALTER TABLE parts
    ADD COLUMN IF NOT EXISTS said LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL CHECK (JSON_VALID(said)),
    ADD COLUMN IF NOT EXISTS medium VARCHAR(30) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS temperature_c DECIMAL(6,1) NULL,
    ADD COLUMN IF NOT EXISTS needed SMALLINT UNSIGNED NULL;

-- What depends on a unit is said at take in.
ALTER TABLE take_in_words
    DROP CONSTRAINT IF EXISTS word_kind,
    ADD CONSTRAINT word_kind CHECK (kind IN ('sign', 'energy', 'fluid', 'work', 'duty', 'checked'));

ALTER TABLE take_ins
    ADD COLUMN IF NOT EXISTS units_alike SMALLINT UNSIGNED NOT NULL DEFAULT 1,
    ADD COLUMN IF NOT EXISTS spares LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL CHECK (JSON_VALID(spares));

ALTER TABLE identifications
    ADD COLUMN IF NOT EXISTS requirement LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL CHECK (JSON_VALID(requirement));

ALTER TABLE order_lines
    ADD COLUMN IF NOT EXISTS requirement LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL CHECK (JSON_VALID(requirement)),
    ADD COLUMN IF NOT EXISTS withdrawn_at DATETIME(6) NULL,
    ADD COLUMN IF NOT EXISTS withdrawn_by INT UNSIGNED NULL,
    ADD COLUMN IF NOT EXISTS withdrawn_reason VARCHAR(300) NULL;

-- A part whose order was withdrawn can be ordered again.
ALTER TABLE order_lines ADD INDEX IF NOT EXISTS line_part_row (part_id);

ALTER TABLE order_lines DROP INDEX IF EXISTS part_id;

ALTER TABLE catalogue_state ADD COLUMN IF NOT EXISTS extras_read BOOLEAN NOT NULL DEFAULT FALSE;

-- The columns of the catalogue held a bearing's names for the sizes of every family.
SET @neutral_sizes = IF(
    EXISTS (
        SELECT 1
        FROM information_schema.COLUMNS
        WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'catalogue_items' AND COLUMN_NAME = 'size_1_mm'
    ),
    'DO 0',
    'ALTER TABLE catalogue_items DROP CONSTRAINT item_kind_sizes, CHANGE bore_mm size_1_mm DECIMAL(10,6) NOT NULL, CHANGE outside_mm size_2_mm DECIMAL(10,6) NOT NULL, CHANGE width_mm size_3_mm DECIMAL(10,6) NOT NULL, CHANGE assembled_width_mm size_4_mm DECIMAL(12,7) NULL, CHANGE outer_ring_width_mm size_5_mm DECIMAL(12,7) NULL, ADD CONSTRAINT item_kind_sizes CHECK (size_1_mm >= 0 AND size_2_mm >= 0 AND size_3_mm >= 0 AND (family <> ''bearing'' OR size_3_mm > 0 AND (size_2_mm > size_1_mm OR kind = ''inch_cone'') AND (size_1_mm > 0 OR kind = ''inch_cup'')) AND (family = ''bearing'' OR size_1_mm > 0))'
);

PREPARE neutral_sizes FROM @neutral_sizes;

EXECUTE neutral_sizes;

DEALLOCATE PREPARE neutral_sizes;
