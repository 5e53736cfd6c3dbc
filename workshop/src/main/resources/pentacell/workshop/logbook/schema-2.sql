-- Lots, donors with their labels, readings of groups, blemishes. The journal stays as it is.
DROP VIEW donors;
--;
CREATE VIEW donors AS
SELECT json_extract(body, '$.donor.code') AS donor, json_extract(body, '$.donor.kind') AS kind,
  json_extract(body, '$.donor.cellModel') AS model, json_extract(body, '$.donor.note') AS note,
  json_extract(body, '$.donor.lot') AS lot,
  json_extract(body, '$.donor.arrangement.series') AS series,
  json_extract(body, '$.donor.arrangement.parallel') AS parallel,
  json_extract(body, '$.donor.construction') AS construction,
  json_extract(body, '$.donor.rating.volts') AS label_v,
  json_extract(body, '$.donor.rating.ampHours') AS label_ah,
  json_extract(body, '$.donor.rating.wattHours') AS label_wh,
  json_extract(body, '$.donor.priceShare') AS price_share, max(rank) AS rank
FROM holding_fact WHERE kind = 'donor-added' GROUP BY json_extract(body, '$.donor.code');
--;
CREATE VIEW lots AS
SELECT json_extract(body, '$.lot.code') AS lot, json_extract(body, '$.lot.source') AS source,
  json_extract(body, '$.lot.bought') AS bought, json_extract(body, '$.lot.price.amount') AS price,
  json_extract(body, '$.lot.price.currency') AS currency, json_extract(body, '$.lot.postage') AS postage,
  json_extract(body, '$.lot.packs') AS packs, json_extract(body, '$.lot.minutes') AS minutes, max(rank) AS rank
FROM holding_fact WHERE kind = 'lot-added' GROUP BY json_extract(body, '$.lot.code');
--;
CREATE VIEW group_readings AS
SELECT json_extract(f.body, '$.donor') AS donor, CAST(g.key AS INTEGER) AS "group", g.value AS voltage_v, f.at, f.rank
FROM holding_fact AS f, json_each(f.body, '$.groupVolts') AS g WHERE f.kind = 'groups-read';
--;
CREATE VIEW blemishes AS
SELECT f.cell, lower(replace(b.value, '_', '-')) AS blemish, f.at, f.rank
FROM holding_fact AS f, json_each(f.body, '$.blemishes') AS b WHERE f.kind = 'blemishes-seen';
