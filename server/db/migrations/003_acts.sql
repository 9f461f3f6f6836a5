-- Up Migration
-- What may have changed the unit (a tap, a reset, a cleaning) joins the log of a call.

ALTER TABLE entry DROP CONSTRAINT entry_kind_check;
ALTER TABLE entry ADD CONSTRAINT entry_kind_check CHECK (
  kind IN ('reading', 'doubt', 'acknowledged', 'stage', 'diagram', 'statement', 'look', 'act')
);
