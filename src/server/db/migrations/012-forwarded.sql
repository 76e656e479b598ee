-- What followers have handed on already, so that what comes twice counts once.
CREATE TABLE forwarded (
  id TEXT PRIMARY KEY,
  at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX forwarded_at ON forwarded (at);

-- Searches of which it is not known yet what they showed: the follower that answered may tell later than the one that was told of them.
CREATE INDEX events_unmatched ON events (search_id) WHERE kind = 'search' AND searched IS NULL AND search_id IS NOT NULL;
