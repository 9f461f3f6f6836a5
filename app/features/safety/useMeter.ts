import { useMemo } from 'react';
import { meterWithLeads, ORDINARY_METER, type Meter } from '../../../core/meter/meter';
import { selectMeter } from '../../state/meterInHand';
import { useAppSelector } from '../../state/hooks';

/** The meter in the hand, as it is read. @param leadOhms of its leads as they were noted in this visit */
export function useMeter(leadOhms: number | undefined): Meter {
  const { kind, leadOhms: usual } = useAppSelector(selectMeter);
  return useMemo(
    () => meterWithLeads(kind, leadOhms ?? usual) ?? ORDINARY_METER,
    [kind, leadOhms, usual],
  );
}
