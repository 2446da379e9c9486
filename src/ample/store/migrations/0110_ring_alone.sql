-- A cone or a cup alone has one diameter: of metric tapers as well as of inch ones.
ALTER TABLE catalogue_items
    DROP CONSTRAINT IF EXISTS item_kind_sizes,
    ADD CONSTRAINT item_kind_sizes CHECK (
        size_1_mm >= 0 AND size_2_mm >= 0 AND size_3_mm >= 0
        AND (
            family <> 'bearing'
            OR size_3_mm > 0
            AND (size_2_mm > size_1_mm OR kind IN ('inch_cone', 'metric_cone'))
            AND (size_1_mm > 0 OR kind IN ('inch_cup', 'metric_cup'))
        )
        AND (family = 'bearing' OR size_1_mm > 0)
    );
