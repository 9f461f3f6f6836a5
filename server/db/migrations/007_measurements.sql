-- Up Migration
-- Quantities are read and not assumed: a temperature, a pressure, an airflow, a level.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'measurement', 'act')
);
