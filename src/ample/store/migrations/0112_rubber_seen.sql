-- What hand, eye and scale told of a rubber stays with its part.
ALTER TABLE parts
    ADD COLUMN IF NOT EXISTS rubber_seen LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL CHECK (JSON_VALID(rubber_seen));
