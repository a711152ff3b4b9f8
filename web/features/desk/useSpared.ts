import { sparedOf, type Spared } from '@lean-mentor/core/book';
import { useMemo } from 'react';
import { useGetRequestQuery } from '../requests/index.ts';
import { useScene } from './DeskScene.ts';

/** What is to be spared of whom the desk is about, and of their partner, as it is agreed on now: the desk was opened a while ago. */
export function useSpared(): Spared {
  const { client, request } = useScene().subject;
  const { data: now = request } = useGetRequestQuery(request.id);
  return useMemo(() => sparedOf(client, now), [client, now]);
}
