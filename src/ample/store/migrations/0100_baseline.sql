-- The whole shop as of the ninth step. A shop that was opened before has all of it already (see migrate.py).

CREATE TABLE IF NOT EXISTS people (
    person_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(60) NOT NULL,
    role varchar(12) NOT NULL,
    secret_hash varchar(200) NOT NULL,
    demo_pin varchar(12) DEFAULT NULL,
    active boolean NOT NULL DEFAULT 1,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (person_id),
    UNIQUE KEY name (name),
    CONSTRAINT people_role CHECK (role in ('counter','bench','buyer','owner'))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sessions (
    token_hash char(64) NOT NULL,
    person_id int unsigned NOT NULL,
    created_at datetime(6) NOT NULL,
    expires_at datetime(6) NOT NULL,
    PRIMARY KEY (token_hash),
    KEY sessions_person (person_id),
    CONSTRAINT sessions_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS sign_in_attempts (
    attempt_id bigint unsigned NOT NULL AUTO_INCREMENT,
    name varchar(60) NOT NULL,
    address varchar(45) NOT NULL,
    succeeded boolean NOT NULL,
    tried_at datetime(6) NOT NULL,
    PRIMARY KEY (attempt_id),
    KEY attempts_name (name,tried_at),
    KEY attempts_address (address,tried_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS audit (
    audit_id bigint unsigned NOT NULL AUTO_INCREMENT,
    happened_at datetime(6) NOT NULL,
    person_id int unsigned NOT NULL,
    subject varchar(30) NOT NULL,
    subject_id bigint unsigned NOT NULL,
    action varchar(40) NOT NULL,
    before_json longtext DEFAULT NULL,
    after_json longtext DEFAULT NULL,
    PRIMARY KEY (audit_id),
    KEY audit_subject (subject,subject_id),
    KEY audit_person (person_id),
    CONSTRAINT audit_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS idempotency (
    person_id int unsigned NOT NULL,
    request_key varchar(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    fingerprint char(64) NOT NULL,
    status smallint unsigned DEFAULT NULL,
    answer longtext DEFAULT NULL,
    created_at datetime(6) NOT NULL,
    PRIMARY KEY (person_id,request_key),
    CONSTRAINT idempotency_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS makers (
    maker_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(60) NOT NULL,
    PRIMARY KEY (maker_id),
    UNIQUE KEY name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS dialect_codes (
    maker_id int unsigned NOT NULL,
    position smallint unsigned NOT NULL,
    code varchar(8) NOT NULL,
    place varchar(8) NOT NULL,
    attribute varchar(40) NOT NULL,
    value varchar(60) NOT NULL,
    meaning varchar(120) NOT NULL,
    basis varchar(60) NOT NULL,
    kinds varchar(160) NOT NULL DEFAULT '',
    example varchar(60) NOT NULL DEFAULT '',
    PRIMARY KEY (maker_id,position),
    CONSTRAINT dialect_maker FOREIGN KEY (maker_id) REFERENCES makers (maker_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS catalogue_items (
    item_id int unsigned NOT NULL AUTO_INCREMENT,
    maker_id int unsigned NOT NULL,
    marking varchar(60) NOT NULL,
    designation varchar(40) NOT NULL,
    series varchar(40) NOT NULL,
    bore_mm decimal(10,6) NOT NULL,
    outside_mm decimal(10,6) NOT NULL,
    width_mm decimal(10,6) NOT NULL,
    closure varchar(20) NOT NULL,
    clearance varchar(2) NOT NULL,
    tolerance_class varchar(8) NOT NULL,
    stock_quantity int unsigned NOT NULL DEFAULT 0,
    stock_place varchar(30) NOT NULL DEFAULT '',
    confirmed_count int unsigned NOT NULL DEFAULT 0,
    version int unsigned NOT NULL DEFAULT 1,
    kind varchar(40) NOT NULL DEFAULT 'deep_groove',
    assembled_width_mm decimal(12,7) DEFAULT NULL,
    outer_ring_width_mm decimal(12,7) DEFAULT NULL,
    bore_shape varchar(20) NOT NULL DEFAULT 'cylindrical',
    angle varchar(10) NOT NULL DEFAULT '',
    cage varchar(24) NOT NULL DEFAULT 'standard',
    family varchar(20) NOT NULL DEFAULT 'bearing',
    attributes longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(attributes)),
    PRIMARY KEY (item_id),
    UNIQUE KEY item_marking (maker_id,marking),
    KEY item_designation (designation),
    KEY item_size (bore_mm,outside_mm,width_mm),
    KEY item_family_size (family,bore_mm,outside_mm),
    CONSTRAINT item_maker FOREIGN KEY (maker_id) REFERENCES makers (maker_id),
    CONSTRAINT item_kind_sizes CHECK (bore_mm >= 0 and outside_mm >= 0 and width_mm >= 0 and (family <> 'bearing' or width_mm > 0 and (outside_mm > bore_mm or kind = 'inch_cone') and (bore_mm > 0 or kind = 'inch_cup')) and (family = 'bearing' or bore_mm > 0))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS cross_references (
    cross_reference_id int unsigned NOT NULL AUTO_INCREMENT,
    old_marking varchar(60) NOT NULL,
    item_id int unsigned NOT NULL,
    said_by varchar(60) NOT NULL,
    said_on date NOT NULL,
    source varchar(120) NOT NULL,
    PRIMARY KEY (cross_reference_id),
    KEY cross_old (old_marking),
    KEY cross_item (item_id),
    CONSTRAINT cross_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS suppliers (
    supplier_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(60) NOT NULL,
    place varchar(60) NOT NULL,
    lead_days smallint unsigned NOT NULL,
    PRIMARY KEY (supplier_id),
    UNIQUE KEY name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS offers (
    supplier_id int unsigned NOT NULL,
    item_id int unsigned NOT NULL,
    price decimal(10,2) NOT NULL,
    lead_days smallint unsigned NOT NULL,
    PRIMARY KEY (item_id,supplier_id),
    KEY offer_supplier (supplier_id),
    CONSTRAINT offer_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT offer_supplier FOREIGN KEY (supplier_id) REFERENCES suppliers (supplier_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS catalogue_state (
    only_row tinyint unsigned NOT NULL,
    revision int unsigned NOT NULL,
    dialect_revision int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (only_row)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS instruments (
    instrument_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(40) NOT NULL,
    kind varchar(20) NOT NULL,
    outside_u_mm decimal(8,5) NOT NULL,
    inside_u_mm decimal(8,5) NOT NULL,
    scatter_mm decimal(8,5) NOT NULL,
    calibrated_on date NOT NULL,
    months_valid smallint unsigned NOT NULL DEFAULT 12,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (instrument_id),
    UNIQUE KEY name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS jobs (
    job_id int unsigned NOT NULL AUTO_INCREMENT,
    number varchar(12) NOT NULL,
    title varchar(80) NOT NULL,
    owner varchar(80) NOT NULL DEFAULT '',
    symptom varchar(200) NOT NULL DEFAULT '',
    opened_at datetime(6) NOT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (job_id),
    UNIQUE KEY number (number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS parts (
    part_id int unsigned NOT NULL AUTO_INCREMENT,
    job_id int unsigned NOT NULL,
    position smallint unsigned NOT NULL,
    name varchar(80) NOT NULL,
    surroundings varchar(160) NOT NULL DEFAULT '',
    dirty boolean NOT NULL DEFAULT 0,
    rpm int unsigned DEFAULT NULL,
    family varchar(20) NOT NULL DEFAULT 'bearing',
    marking varchar(60) NOT NULL DEFAULT '',
    condition_seen varchar(12) NOT NULL DEFAULT '',
    version int unsigned NOT NULL DEFAULT 1,
    line_key varchar(24) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
    bench_kind varchar(40) NOT NULL DEFAULT '',
    bench_answers longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL CHECK (json_valid(bench_answers)),
    PRIMARY KEY (part_id),
    UNIQUE KEY part_position (job_id,position),
    UNIQUE KEY part_line_key (job_id,line_key),
    CONSTRAINT part_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS calipers (
    caliper_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(40) NOT NULL,
    host varchar(100) NOT NULL,
    port smallint unsigned NOT NULL,
    state varchar(10) NOT NULL DEFAULT 'away',
    words varchar(160) NOT NULL DEFAULT '',
    battery_percent tinyint unsigned DEFAULT NULL,
    heard_at datetime(6) DEFAULT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (caliper_id),
    UNIQUE KEY name (name),
    CONSTRAINT caliper_state CHECK (state in ('linked','away','unclear'))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS caliper_readings (
    reading_id bigint unsigned NOT NULL AUTO_INCREMENT,
    caliper_id int unsigned NOT NULL,
    typed varchar(20) NOT NULL,
    unit char(2) NOT NULL,
    received_at datetime(6) NOT NULL,
    PRIMARY KEY (reading_id),
    KEY reading_time (received_at),
    KEY reading_caliper (caliper_id),
    CONSTRAINT reading_caliper FOREIGN KEY (caliper_id) REFERENCES calipers (caliper_id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS caution_acknowledgements (
    job_id int unsigned NOT NULL,
    caution varchar(40) NOT NULL,
    person_id int unsigned DEFAULT NULL,
    person varchar(60) NOT NULL,
    acknowledged_at datetime(6) NOT NULL,
    PRIMARY KEY (job_id,caution),
    CONSTRAINT acknowledged_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS gate_passes (
    pass_id int unsigned NOT NULL AUTO_INCREMENT,
    line_id int unsigned NOT NULL,
    light varchar(12) NOT NULL,
    words varchar(300) NOT NULL,
    reason varchar(300) NOT NULL,
    person_id int unsigned NOT NULL,
    passed_at datetime(6) NOT NULL,
    PRIMARY KEY (pass_id),
    KEY pass_line (line_id),
    KEY pass_person (person_id),
    CONSTRAINT pass_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS identifications (
    part_id int unsigned NOT NULL,
    item_id int unsigned NOT NULL,
    probability decimal(9,8) NOT NULL,
    worst_sigmas decimal(8,2) DEFAULT NULL,
    clash varchar(300) NOT NULL DEFAULT '',
    features_read smallint unsigned NOT NULL,
    marking_read boolean NOT NULL,
    person_id int unsigned NOT NULL,
    decided_at datetime(6) NOT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (part_id),
    KEY identification_item (item_id),
    KEY identification_person (person_id),
    CONSTRAINT identification_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT identification_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT identification_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS line_parts (
    job_id int unsigned NOT NULL,
    part_key varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    position smallint unsigned NOT NULL,
    line_key varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    kind varchar(24) NOT NULL,
    name varchar(80) NOT NULL,
    beside boolean NOT NULL,
    quantity smallint unsigned NOT NULL,
    inside_mm decimal(12,7) DEFAULT NULL,
    outside_mm decimal(12,7) DEFAULT NULL,
    width_mm decimal(12,7) DEFAULT NULL,
    verdict varchar(20) NOT NULL,
    judged_by int unsigned DEFAULT NULL,
    details longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(details)),
    PRIMARY KEY (job_id,part_key),
    KEY line_part_order (job_id,position),
    CONSTRAINT line_part_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS line_sheets (
    job_id int unsigned NOT NULL,
    lines_json longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(lines_json)),
    ties_json longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(ties_json)),
    loose_json longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL CHECK (json_valid(loose_json)),
    contradictions smallint unsigned NOT NULL DEFAULT 0,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (job_id),
    CONSTRAINT line_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS matches (
    part_id int unsigned NOT NULL,
    item_id int unsigned NOT NULL,
    verdict varchar(30) NOT NULL,
    words varchar(300) NOT NULL,
    person_id int unsigned NOT NULL,
    decided_at datetime(6) NOT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (part_id),
    KEY match_item (item_id),
    KEY match_person (person_id),
    CONSTRAINT match_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT match_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT match_person FOREIGN KEY (person_id) REFERENCES people (person_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS orders (
    order_id int unsigned NOT NULL AUTO_INCREMENT,
    number varchar(12) NOT NULL,
    supplier_id int unsigned NOT NULL,
    state varchar(10) NOT NULL DEFAULT 'open',
    placed_at datetime(6) DEFAULT NULL,
    placed_by int unsigned DEFAULT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (order_id),
    UNIQUE KEY number (number),
    KEY order_supplier (supplier_id,state),
    CONSTRAINT order_supplier FOREIGN KEY (supplier_id) REFERENCES suppliers (supplier_id),
    CONSTRAINT order_state CHECK (state in ('open','placed'))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS order_lines (
    line_id int unsigned NOT NULL AUTO_INCREMENT,
    order_id int unsigned NOT NULL,
    part_id int unsigned NOT NULL,
    item_id int unsigned NOT NULL,
    quantity smallint unsigned NOT NULL,
    price decimal(10,2) NOT NULL,
    lead_days smallint unsigned NOT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (line_id),
    UNIQUE KEY part_id (part_id),
    KEY line_order (order_id),
    KEY line_item (item_id),
    CONSTRAINT line_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT line_order FOREIGN KEY (order_id) REFERENCES orders (order_id),
    CONSTRAINT line_part FOREIGN KEY (part_id) REFERENCES parts (part_id),
    CONSTRAINT line_quantity CHECK (quantity between 1 and 999)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS part_decisions (
    decision_id int unsigned NOT NULL AUTO_INCREMENT,
    job_id int unsigned NOT NULL,
    part_key varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    findings_mark char(16) NOT NULL,
    verdict varchar(20) NOT NULL,
    reason varchar(300) NOT NULL,
    person_id int unsigned DEFAULT NULL,
    person varchar(60) NOT NULL,
    decided_at datetime(6) NOT NULL,
    PRIMARY KEY (decision_id),
    KEY decision_part (job_id,part_key),
    CONSTRAINT decision_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS photos (
    photo_id int unsigned NOT NULL AUTO_INCREMENT,
    job_id int unsigned NOT NULL,
    part_key varchar(24) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '',
    place_x decimal(7,5) DEFAULT NULL,
    place_y decimal(7,5) DEFAULT NULL,
    caption varchar(160) NOT NULL DEFAULT '',
    width_px smallint unsigned NOT NULL,
    height_px smallint unsigned NOT NULL,
    image mediumblob NOT NULL,
    thumbnail mediumblob NOT NULL,
    person varchar(60) NOT NULL,
    taken_at datetime(6) NOT NULL,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (photo_id),
    KEY photo_job (job_id),
    CONSTRAINT photo_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS readings (
    part_id int unsigned NOT NULL,
    feature varchar(20) NOT NULL,
    position smallint unsigned NOT NULL,
    typed varchar(80) NOT NULL,
    unit char(2) NOT NULL,
    value_mm decimal(12,7) NOT NULL,
    instrument varchar(40) NOT NULL,
    PRIMARY KEY (part_id,feature,position),
    CONSTRAINT reading_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS seat_readings (
    part_id int unsigned NOT NULL,
    side varchar(8) NOT NULL,
    plane tinyint unsigned NOT NULL,
    direction tinyint unsigned NOT NULL,
    typed varchar(80) NOT NULL,
    value_mm decimal(12,7) NOT NULL,
    PRIMARY KEY (part_id,side,plane,direction),
    CONSTRAINT seat_reading_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS seat_sheets (
    part_id int unsigned NOT NULL,
    turning varchar(10) NOT NULL DEFAULT 'shaft',
    load_level varchar(10) NOT NULL DEFAULT 'normal',
    slides boolean NOT NULL DEFAULT 0,
    split boolean NOT NULL DEFAULT 0,
    warmer_inner_k decimal(5,1) NOT NULL DEFAULT 10.0,
    shaft_zone varchar(6) NOT NULL DEFAULT '',
    housing_zone varchar(6) NOT NULL DEFAULT '',
    shaft_instrument varchar(40) NOT NULL DEFAULT 'micrometer',
    housing_instrument varchar(40) NOT NULL DEFAULT 'bore_gauge',
    temperature_c decimal(5,1) NOT NULL DEFAULT 20.0,
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (part_id),
    CONSTRAINT sheet_part FOREIGN KEY (part_id) REFERENCES parts (part_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS take_in_words (
    job_id int unsigned NOT NULL,
    kind varchar(10) NOT NULL,
    name varchar(60) NOT NULL,
    position smallint unsigned NOT NULL,
    result varchar(10) NOT NULL DEFAULT '',
    PRIMARY KEY (job_id,kind,name),
    CONSTRAINT word_job FOREIGN KEY (job_id) REFERENCES jobs (job_id),
    CONSTRAINT word_kind CHECK (kind in ('sign','energy','fluid','work','checked'))
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS take_ins (
    job_id int unsigned NOT NULL,
    unit varchar(20) NOT NULL DEFAULT 'other',
    plate varchar(200) NOT NULL DEFAULT '',
    model varchar(60) NOT NULL DEFAULT '',
    build varchar(40) NOT NULL DEFAULT '',
    serial varchar(60) NOT NULL DEFAULT '',
    since varchar(60) NOT NULL DEFAULT '',
    lie_open_days smallint unsigned DEFAULT NULL,
    access varchar(10) NOT NULL DEFAULT 'cheap',
    planned text NOT NULL DEFAULT '',
    note_next text NOT NULL DEFAULT '',
    version int unsigned NOT NULL DEFAULT 1,
    PRIMARY KEY (job_id),
    KEY take_in_model (model),
    CONSTRAINT take_in_job FOREIGN KEY (job_id) REFERENCES jobs (job_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS unit_models (
    model_id int unsigned NOT NULL AUTO_INCREMENT,
    name varchar(60) NOT NULL,
    unit varchar(20) NOT NULL,
    question varchar(160) NOT NULL DEFAULT '',
    PRIMARY KEY (model_id),
    UNIQUE KEY name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS unit_builds (
    model_id int unsigned NOT NULL,
    position smallint unsigned NOT NULL,
    build varchar(40) NOT NULL,
    answer varchar(120) NOT NULL,
    picture varchar(20) NOT NULL,
    serial_range varchar(60) NOT NULL DEFAULT '',
    differs varchar(160) NOT NULL DEFAULT '',
    PRIMARY KEY (model_id,position),
    UNIQUE KEY build_name (model_id,build),
    CONSTRAINT build_model FOREIGN KEY (model_id) REFERENCES unit_models (model_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

CREATE TABLE IF NOT EXISTS unit_spares (
    model_id int unsigned NOT NULL,
    position smallint unsigned NOT NULL,
    build varchar(40) NOT NULL DEFAULT '',
    name varchar(80) NOT NULL,
    quantity smallint unsigned NOT NULL,
    item_id int unsigned DEFAULT NULL,
    in_stock smallint unsigned DEFAULT NULL,
    lead_days smallint unsigned DEFAULT NULL,
    PRIMARY KEY (model_id,position),
    KEY spare_item (item_id),
    CONSTRAINT spare_item FOREIGN KEY (item_id) REFERENCES catalogue_items (item_id),
    CONSTRAINT spare_model FOREIGN KEY (model_id) REFERENCES unit_models (model_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci;

INSERT IGNORE INTO catalogue_state (only_row, revision) VALUES (1, 1);
