-- Numbers are given out one after another: whoever takes one holds its row until it is stored, so that the
-- order of numbers is the order in which they can be seen. A job number that no address can carry gets another.
CREATE TABLE IF NOT EXISTS counters (
    name VARCHAR(30) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    value BIGINT UNSIGNED NOT NULL
) ENGINE = InnoDB DEFAULT CHARSET = utf8mb4 COLLATE = utf8mb4_unicode_520_ci;

UPDATE jobs SET number = CONCAT('J.', job_id) WHERE number NOT REGEXP '^[A-Za-z0-9][A-Za-z0-9._-]*$';

INSERT IGNORE INTO counters (name, value)
SELECT 'job', COALESCE(MAX(CAST(number AS UNSIGNED)), 0) FROM jobs WHERE number REGEXP '^[0-9]{1,8}$';

INSERT IGNORE INTO counters (name, value)
SELECT 'order', COALESCE(MAX(CAST(SUBSTRING(number, 2) AS UNSIGNED)), 0) FROM orders;

INSERT IGNORE INTO counters (name, value)
SELECT 'caliper_reading', COALESCE(MAX(reading_id), 0) FROM caliper_readings;

INSERT IGNORE INTO counters (name, value) VALUES ('health', 0);
