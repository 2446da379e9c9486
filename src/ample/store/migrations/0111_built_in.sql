-- Where a machine was built says which list its O-rings are likely to be of.
ALTER TABLE take_ins
    ADD COLUMN IF NOT EXISTS built_in VARCHAR(20) NOT NULL DEFAULT '';
