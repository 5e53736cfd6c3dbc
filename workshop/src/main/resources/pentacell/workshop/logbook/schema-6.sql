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
--;
-- How a fact came into the journal: typed, imported, instrument, stand-in; null where nobody wrote it down.
ALTER TABLE fact ADD COLUMN origin TEXT;
--;
DROP VIEW holding_fact;
--;
-- What a stand-in made up holds only where it was said that stand-ins count, as in the demo.
CREATE VIEW holding_fact AS
WITH kept AS (
  SELECT fact.*, act.at FROM fact JOIN act USING (act)
  WHERE fact.act NOT IN (SELECT act FROM undone_act) AND fact.kind NOT IN ('act-undone', 'act-redone')
    AND (fact.origin IS NOT 'stand-in' OR EXISTS (
      SELECT 1 FROM fact AS said WHERE said.kind = 'stand-ins-count' AND said.sequence < fact.sequence
        AND said.act NOT IN (SELECT act FROM undone_act)))
),
replaced AS (
  SELECT json_extract(body, '$.sequence') AS sequence FROM kept WHERE kind IN ('entry-corrected', 'entry-struck')
)
SELECT sequence, sequence AS rank, at, kind, cell, body, origin FROM kept
WHERE kind NOT IN ('entry-corrected', 'entry-struck') AND sequence NOT IN (SELECT sequence FROM replaced)
UNION ALL
SELECT sequence, json_extract(body, '$.sequence') AS rank, at,
  json_extract(body, '$.replacement.kind') AS kind, cell, json_extract(body, '$.replacement.body') AS body, origin
FROM kept WHERE kind = 'entry-corrected' AND sequence NOT IN (SELECT sequence FROM replaced);
