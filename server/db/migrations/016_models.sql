-- Up Migration
-- Which sheet a model uses: the newest row for a make and a pattern counts, one without a diagram takes it back.

CREATE TABLE model_sheet (
  shop text NOT NULL REFERENCES shop,
  sent_as uuid NOT NULL,
  make text NOT NULL,
  -- A model number with wild cards, as sheets have them: * for any letters, ? for one.
  pattern text NOT NULL,
  diagram text,
  -- Where a version is named, that one and no later one.
  version integer,
  at timestamptz NOT NULL DEFAULT now(),
  arrived bigint GENERATED ALWAYS AS IDENTITY,
  PRIMARY KEY (shop, sent_as)
);
CREATE INDEX model_sheet_by_model ON model_sheet (shop, lower(make), lower(pattern), arrived DESC);
GRANT SELECT, INSERT ON model_sheet TO yarrix_app;
