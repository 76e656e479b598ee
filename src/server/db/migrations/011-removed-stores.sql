-- Stores that were removed stay for a while and can be put back; NULL where it was not.
ALTER TABLE stores ADD COLUMN removed_at TEXT;
