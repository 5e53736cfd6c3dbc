-- What was odd in a curve is kept as rule and figures; entries of older formats have their sentence only.
CREATE VIEW oddities AS
SELECT cell, at, rank, json_extract(body, '$.run') AS run,
  lower(replace(json_extract(body, '$.oddity'), '_', '-')) AS oddity, json_extract(body, '$.atSeconds') AS at_s,
  lower(replace(json_extract(body, '$.reason.rule'), '_', '-')) AS rule, json_extract(body, '$.reason.figure') AS figure,
  json_extract(body, '$.reason.limit') AS "limit", json_extract(body, '$.sentence') AS sentence
FROM holding_fact WHERE kind = 'curve-odd';
