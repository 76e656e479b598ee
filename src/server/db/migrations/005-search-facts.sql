-- The searches of one text, and what came of a search, are looked up while it is arranged.
CREATE INDEX events_by_query ON events (store, lower(query)) WHERE kind = 'search';
CREATE INDEX events_by_search ON events (store, search_id) WHERE kind <> 'search';
