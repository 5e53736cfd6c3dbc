-- Each act keeps a digest of itself and of the digest before it: whatever is lost or changed in the middle is seen.
DROP TRIGGER IF EXISTS act_is_fixed;
--;
ALTER TABLE act ADD COLUMN digest TEXT;
--;
-- A digest can be given once to an act of an older format that has none.
CREATE TRIGGER act_is_fixed BEFORE UPDATE ON act
WHEN OLD.digest IS NOT NULL OR NEW.act IS NOT OLD.act OR NEW.at IS NOT OLD.at OR NEW.words IS NOT OLD.words
BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
