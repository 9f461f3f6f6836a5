-- Up Migration
-- A photo is encoded anew before it is stored: what was sent under its id is known by its hash. Null of photos that were stored as they came.

ALTER TABLE photo ADD COLUMN sent_sha256 bytea;
