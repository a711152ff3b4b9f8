import type { Film, FilmForm } from '@lean-mentor/contract';
import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import { useAskSentFilmMutation, useAskTakeFilmMutation, useListSentFilmsQuery, useListTakeFilmsQuery } from './api.ts';

/** What films are made of: a take on the desk, or something spoken in a critique. */
export type FilmSubject = { requestId: string; takeId: string } | { critiqueId: string; version: number; place: number };

/** How often it is asked how far a film has come, in ms. */
export const lookAgainMs = 1500;
export const isBeingMade = ({ state }: Film): boolean => state === 'waiting' || state === 'making';

/** The films of something spoken, live while one of them is being made, and how one is asked for. */
export function useFilms(of: FilmSubject) {
  const onDesk = 'takeId' in of;
  const [moving, setMoving] = useState(false);
  const pollingInterval = moving ? lookAgainMs : 0;
  const desk = useListTakeFilmsQuery(onDesk ? of : skipToken, { pollingInterval });
  const sent = useListSentFilmsQuery(onDesk ? skipToken : of, { pollingInterval });
  const { data: films, error } = onDesk ? desk : sent;
  const anyMoving = films?.some(isBeingMade) ?? false;
  if (anyMoving !== moving) setMoving(anyMoving);
  const [askDesk, askedDesk] = useAskTakeFilmMutation();
  const [askSent, askedSent] = useAskSentFilmMutation();
  const ask = (form: FilmForm): void => void (onDesk ? askDesk({ ...of, ...form }) : askSent({ ...of, ...form }));
  const { isLoading: asking, error: refused } = onDesk ? askedDesk : askedSent;
  return { films, error, ask, asking, refused };
}
