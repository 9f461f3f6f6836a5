-- Up Migration
-- Every entry asks which version of its diagram a call is worked with: found without reading its log.

CREATE INDEX entry_diagram ON entry (shop, call, phone_at DESC, arrived DESC)
  WHERE kind = 'diagram';
