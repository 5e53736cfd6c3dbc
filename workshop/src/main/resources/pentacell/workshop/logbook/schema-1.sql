-- The journal. Rows are only ever added.
CREATE TABLE act (
  act INTEGER PRIMARY KEY,
  at TEXT NOT NULL,
  words TEXT NOT NULL
) STRICT;
--;
CREATE TABLE fact (
  sequence INTEGER PRIMARY KEY,
  act INTEGER NOT NULL REFERENCES act (act),
  kind TEXT NOT NULL,
  cell TEXT,
  body TEXT NOT NULL CHECK (json_valid(body))
) STRICT;
--;
CREATE INDEX fact_by_cell ON fact (cell, kind);
--;
CREATE TRIGGER act_is_kept BEFORE DELETE ON act BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
--;
CREATE TRIGGER act_is_fixed BEFORE UPDATE ON act BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
--;
CREATE TRIGGER fact_is_kept BEFORE DELETE ON fact BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
--;
CREATE TRIGGER fact_is_fixed BEFORE UPDATE ON fact BEGIN SELECT RAISE(ABORT, 'the journal is append-only'); END;
--;
-- Acts that were taken back and not brought back since.
CREATE VIEW undone_act AS
SELECT undone.act FROM (
  SELECT json_extract(body, '$.act') AS act, kind, max(sequence)
  FROM fact WHERE kind IN ('act-undone', 'act-redone') GROUP BY json_extract(body, '$.act')
) AS undone WHERE undone.kind = 'act-undone';
--;
-- Facts that hold: not taken back, not corrected, not struck; a correction stands with the rank of what it corrects.
CREATE VIEW holding_fact AS
WITH kept AS (
  SELECT fact.*, act.at FROM fact JOIN act USING (act)
  WHERE fact.act NOT IN (SELECT act FROM undone_act) AND fact.kind NOT IN ('act-undone', 'act-redone')
),
replaced AS (
  SELECT json_extract(body, '$.sequence') AS sequence FROM kept WHERE kind IN ('entry-corrected', 'entry-struck')
)
SELECT sequence, sequence AS rank, at, kind, cell, body FROM kept
WHERE kind NOT IN ('entry-corrected', 'entry-struck') AND sequence NOT IN (SELECT sequence FROM replaced)
UNION ALL
SELECT sequence, json_extract(body, '$.sequence') AS rank, at,
  json_extract(body, '$.replacement.kind') AS kind, cell, json_extract(body, '$.replacement.body') AS body
FROM kept WHERE kind = 'entry-corrected' AND sequence NOT IN (SELECT sequence FROM replaced);
--;
CREATE VIEW voltages AS
SELECT cell, at, rank, json_extract(body, '$.volts') AS voltage_v FROM holding_fact WHERE kind = 'voltage-read';
--;
CREATE VIEW resistances AS
SELECT cell, at, rank, json_extract(body, '$.milliohms') AS ir_mohm, json_extract(body, '$.method') AS method
FROM holding_fact WHERE kind = 'resistance-read';
--;
CREATE VIEW capacity_tests AS
SELECT cell, at, rank, json_extract(body, '$.milliampHours') AS capacity_mah,
  json_extract(body, '$.conditions.chargeEndVolts') AS charge_end_v,
  json_extract(body, '$.conditions.dischargeAmps') AS discharge_a,
  json_extract(body, '$.conditions.endVolts') AS end_v
FROM holding_fact WHERE kind = 'capacity-measured';
--;
CREATE VIEW models AS
SELECT json_extract(body, '$.model.name') AS model, json_extract(body, '$.model.format') AS format,
  json_extract(body, '$.model.chemistry') AS chemistry,
  json_extract(body, '$.model.ratedMinimumMilliampHours') AS rated_mah, max(rank) AS rank
FROM holding_fact WHERE kind = 'model-defined' GROUP BY json_extract(body, '$.model.name');
--;
CREATE VIEW donors AS
SELECT json_extract(body, '$.donor.code') AS donor, json_extract(body, '$.donor.kind') AS kind,
  json_extract(body, '$.donor.cellModel') AS model, json_extract(body, '$.donor.note') AS note, max(rank) AS rank
FROM holding_fact WHERE kind = 'donor-added' GROUP BY json_extract(body, '$.donor.code');
--;
CREATE VIEW cells AS
SELECT c.cell,
  (SELECT json_extract(body, '$.donor') FROM holding_fact f WHERE f.cell = c.cell AND kind = 'cell-named' ORDER BY rank DESC LIMIT 1) AS donor,
  (SELECT json_extract(body, '$.model') FROM holding_fact f WHERE f.cell = c.cell AND kind = 'cell-named' ORDER BY rank DESC LIMIT 1) AS model,
  (SELECT json_extract(body, '$.place') FROM holding_fact f WHERE f.cell = c.cell AND kind = 'cell-placed' ORDER BY rank DESC LIMIT 1) AS location,
  (SELECT voltage_v FROM voltages v WHERE v.cell = c.cell ORDER BY rank LIMIT 1) AS first_voltage_v,
  (SELECT voltage_v FROM voltages v WHERE v.cell = c.cell ORDER BY rank DESC LIMIT 1) AS voltage_v,
  (SELECT ir_mohm FROM resistances r WHERE r.cell = c.cell ORDER BY rank DESC LIMIT 1) AS ir_mohm,
  (SELECT capacity_mah FROM capacity_tests t WHERE t.cell = c.cell ORDER BY rank DESC LIMIT 1) AS capacity_mah
FROM (SELECT DISTINCT cell FROM holding_fact WHERE cell IS NOT NULL) AS c;
