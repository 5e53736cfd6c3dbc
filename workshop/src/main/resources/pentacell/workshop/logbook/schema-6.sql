-- The act that ends a run seals its samples: how many there are, and a digest of them, a line for each run.
DROP TRIGGER IF EXISTS act_is_fixed;
--;
ALTER TABLE act ADD COLUMN curves TEXT;
--;
-- A digest can be given once to an act of an older format that has none.
CREATE TRIGGER act_is_fixed BEFORE UPDATE ON act
WHEN OLD.digest IS NOT NULL OR NEW.act IS NOT OLD.act OR NEW.at IS NOT OLD.at OR NEW.words IS NOT OLD.words
  OR NEW.curves IS NOT OLD.curves
BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
