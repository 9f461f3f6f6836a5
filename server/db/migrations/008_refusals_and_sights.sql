-- Up Migration
-- A test can be refused for the visit, with the reason; what is noticed of a part is told.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'measurement', 'act', 'sight', 'refusal')
);
