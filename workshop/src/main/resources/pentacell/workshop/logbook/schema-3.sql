-- Samples of test runs, beside the journal: blocks of columns as they came in, joined when a run ends.
CREATE TABLE run_samples (
  run TEXT NOT NULL,
  first INTEGER NOT NULL,
  count INTEGER NOT NULL,
  columns BLOB NOT NULL,
  PRIMARY KEY (run, first)
) STRICT;
--;
CREATE VIEW test_runs AS
SELECT s.cell, json_extract(s.body, '$.run') AS run, json_extract(s.body, '$.bay') AS bay,
  json_extract(s.body, '$.programme') AS programme, s.at AS started_at, e.at AS ended_at,
  lower(json_extract(e.body, '$.end')) AS "end", json_extract(e.body, '$.words') AS words, s.rank
FROM holding_fact AS s LEFT JOIN holding_fact AS e
  ON e.kind = 'run-ended' AND json_extract(e.body, '$.run') = json_extract(s.body, '$.run')
WHERE s.kind = 'run-started';
--;
CREATE VIEW corrected_capacities AS
SELECT cell, at, rank, json_extract(body, '$.milliampHours') AS capacity_mah,
  json_extract(body, '$.uncertaintyMilliampHours') AS uncertainty_mah, json_extract(body, '$.run') AS run
FROM holding_fact WHERE kind = 'capacity-corrected';
--;
CREATE VIEW holds AS
SELECT cell, at AS began_at, rank, json_extract(body, '$.days') AS days FROM holding_fact WHERE kind = 'hold-began';
