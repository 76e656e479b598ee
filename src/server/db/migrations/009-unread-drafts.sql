-- Drafts that could not be read when they were started anew, as they were kept.
CREATE TABLE unread_drafts (
  store TEXT NOT NULL REFERENCES stores (id) ON DELETE CASCADE,
  revision INTEGER NOT NULL,
  settings TEXT NOT NULL,
  PRIMARY KEY (store, revision)
) STRICT;
