-- The cross of a universal joint has no bore: it is told by a cap and the length over two.
ALTER TABLE catalogue_items
    DROP CONSTRAINT IF EXISTS item_kind_sizes,
    ADD CONSTRAINT item_kind_sizes CHECK (
        size_1_mm >= 0 AND size_2_mm >= 0 AND size_3_mm >= 0
        AND (
            family <> 'bearing'
            OR size_3_mm > 0
            AND (size_2_mm > size_1_mm OR kind IN ('inch_cone', 'metric_cone'))
            AND (size_1_mm > 0 OR kind IN ('inch_cup', 'metric_cup', 'joint_cross'))
        )
        AND (family = 'bearing' OR size_1_mm > 0)
    );
