-- Up Migration
-- A diagram that a shop does not want any more goes from its list. Its versions stay, for the calls that were worked with
-- them; a version that comes after the withdrawal brings it back.

CREATE TABLE diagram_withdrawal (
  shop text NOT NULL,
  sent_as uuid NOT NULL,
  diagram text NOT NULL,
  version integer NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop, sent_as),
  FOREIGN KEY (shop, diagram, version) REFERENCES diagram (shop, id, version)
);
CREATE INDEX diagram_withdrawal_by_version ON diagram_withdrawal (shop, diagram, version);
GRANT SELECT, INSERT ON diagram_withdrawal TO yarrix_app;
