import { useCallback } from 'react';
import { useAppSelector } from '../../state/hooks';

/** Says an amount in the shop's own money: "$128", cents only under ten. */
export function useMoney(): (amount: number) => string {
  const sign = useAppSelector((state) => state.settings.currency);
  return useCallback(
    (amount) =>
      `${sign}${Math.abs(amount) < 10 && !Number.isInteger(amount) ? amount.toFixed(2) : Math.round(amount)}`,
    [sign],
  );
}
