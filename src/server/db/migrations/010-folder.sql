-- Which data this is: the folder beside it says the same.
CREATE TABLE folder (id TEXT NOT NULL) STRICT;
