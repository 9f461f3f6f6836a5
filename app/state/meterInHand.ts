import { createSelector } from '@reduxjs/toolkit';
import type { ShopMeter } from '../../contract/meter';
import { METERS, ORDINARY_METER } from '../../core/meter/meter';
import type { RootState } from './store';

/** Every meter that can be in the hand: the shop's own, and one of each kind. */
export const selectMeters = createSelector(
  (root: RootState) => root.meters.list,
  (own): ShopMeter[] => [
    ...own,
    ...METERS.map(({ id, name, leads }) => ({ id, name, kind: id, leadOhms: leads.ohms })),
  ],
);

/** The one that is in the hand. */
export const selectMeter = createSelector(
  [selectMeters, (root: RootState) => root.settings.meter],
  (all, id): ShopMeter =>
    all.find((each) => each.id === id) ?? {
      id: ORDINARY_METER.id,
      name: ORDINARY_METER.name,
      kind: ORDINARY_METER.id,
      leadOhms: ORDINARY_METER.leads.ohms,
    },
);
