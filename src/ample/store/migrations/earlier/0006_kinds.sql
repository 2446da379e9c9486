ALTER TABLE catalogue_items
    ADD COLUMN IF NOT EXISTS kind VARCHAR(40) NOT NULL DEFAULT 'deep_groove',
    ADD COLUMN IF NOT EXISTS assembled_width_mm DECIMAL(12, 7) NULL,
    ADD COLUMN IF NOT EXISTS outer_ring_width_mm DECIMAL(12, 7) NULL,
    ADD COLUMN IF NOT EXISTS bore_shape VARCHAR(20) NOT NULL DEFAULT 'cylindrical',
    ADD COLUMN IF NOT EXISTS angle VARCHAR(10) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS cage VARCHAR(24) NOT NULL DEFAULT 'standard';

ALTER TABLE dialect_codes
    ADD COLUMN IF NOT EXISTS kinds VARCHAR(160) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS example VARCHAR(60) NOT NULL DEFAULT '';

ALTER TABLE parts
    ADD COLUMN IF NOT EXISTS bench_kind VARCHAR(40) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS bench_answers JSON NULL;

ALTER TABLE catalogue_items DROP CONSTRAINT IF EXISTS item_sizes;

ALTER TABLE catalogue_items DROP CONSTRAINT IF EXISTS item_kind_sizes;

ALTER TABLE catalogue_items ADD CONSTRAINT item_kind_sizes CHECK (
    width_mm > 0 AND bore_mm >= 0 AND outside_mm >= 0
    AND (outside_mm > bore_mm OR kind = 'inch_cone') AND (bore_mm > 0 OR kind = 'inch_cup')
);
