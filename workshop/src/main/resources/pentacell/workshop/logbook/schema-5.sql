-- A digest for each act, over itself and the digest before it: whatever is lost or changed in the middle is seen.
CREATE TABLE act_digest (
  act INTEGER PRIMARY KEY REFERENCES act (act),
  digest TEXT NOT NULL
) STRICT;
--;
CREATE TRIGGER act_digest_is_kept BEFORE DELETE ON act_digest BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
--;
CREATE TRIGGER act_digest_is_fixed BEFORE UPDATE ON act_digest BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
