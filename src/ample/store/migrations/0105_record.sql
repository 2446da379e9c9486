-- The record of changes can be read by job; a change that was made at the machine's terminal has no person.
ALTER TABLE audit
    MODIFY COLUMN person_id INT UNSIGNED NULL,
    ADD COLUMN IF NOT EXISTS job_id INT UNSIGNED NULL,
    ADD KEY IF NOT EXISTS audit_job (job_id, audit_id),
    ADD KEY IF NOT EXISTS audit_day (happened_at);

UPDATE audit SET job_id = subject_id WHERE subject = 'job' AND job_id IS NULL;

UPDATE audit a JOIN parts p ON p.part_id = a.subject_id
SET a.job_id = p.job_id
WHERE a.subject = 'part' AND a.job_id IS NULL;

UPDATE audit a JOIN photos f ON f.photo_id = a.subject_id
SET a.job_id = f.job_id
WHERE a.subject = 'photo' AND a.job_id IS NULL;

UPDATE audit a JOIN order_lines l ON l.line_id = a.subject_id JOIN parts p ON p.part_id = l.part_id
SET a.job_id = p.job_id
WHERE a.subject = 'order_line' AND a.job_id IS NULL;
