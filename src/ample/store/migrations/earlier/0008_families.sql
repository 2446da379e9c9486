ALTER TABLE catalogue_items
    ADD COLUMN IF NOT EXISTS family VARCHAR(20) NOT NULL DEFAULT 'bearing',
    ADD COLUMN IF NOT EXISTS attributes JSON NULL,
    MODIFY COLUMN designation VARCHAR(40) NOT NULL,
    MODIFY COLUMN series VARCHAR(40) NOT NULL;

ALTER TABLE catalogue_items DROP CONSTRAINT IF EXISTS item_kind_sizes;

ALTER TABLE catalogue_items ADD CONSTRAINT item_kind_sizes CHECK (
    bore_mm >= 0 AND outside_mm >= 0 AND width_mm >= 0
    AND (
        family <> 'bearing' OR (
            width_mm > 0 AND (outside_mm > bore_mm OR kind = 'inch_cone') AND (bore_mm > 0 OR kind = 'inch_cup')
        )
    )
    AND (family = 'bearing' OR bore_mm > 0)
);

ALTER TABLE catalogue_items ADD INDEX IF NOT EXISTS item_family_size (family, bore_mm, outside_mm);
