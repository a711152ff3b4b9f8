import { positionValues, type PositionValues } from '@lean-mentor/core/scoring';
import { useMemo } from 'react';
import { useGetPositionWorthQuery } from './api.ts';

/** What positions are worth in this practice; as under "balanced" until that is known. */
export function usePositionValues(): PositionValues {
  const { data } = useGetPositionWorthQuery();
  return useMemo(() => positionValues(data?.preset ?? 'balanced', data?.own), [data]);
}
