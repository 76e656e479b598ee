-- Stores that were removed stay for a while and can be restored; NULL where it was not.
ALTER TABLE stores ADD COLUMN removed_at TEXT;
