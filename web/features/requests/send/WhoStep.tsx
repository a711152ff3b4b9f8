import { useState } from 'react';
import type { WhoMark } from '@lean-mentor/contract';
import { clockText, colourWordsAt } from '@lean-mentor/core/footage';
import { Button, Field, inputClass } from '../../../shared/primitives/index.ts';
import { ClientVideo, Spot } from './ClientVideo.tsx';
import { FootageChoice } from './FootageChoice.tsx';
import type { StepProps } from './StepProps.ts';

type Point = WhoMark['client'];

/** Who is who: the client taps both on a still, and the colours there become words they may change. */
export function WhoStep({ draft, written: { intake, change } }: StepProps) {
  const [footageId, setFootageId] = useState(draft.footages[0]?.id);
  const footage = draft.footages.find(({ id }) => id === footageId) ?? draft.footages[0];
  const marks = intake.whoMarks ?? [];
  const own = marks.filter((mark) => mark.footageId === footage?.id);
  const [seconds, setSeconds] = useState(own[0]?.atSeconds ?? (footage?.seconds ?? 0) * 0.2);
  const [first, setFirst] = useState<{ point: Point; words: string } | null>(null);
  const [again, setAgain] = useState(own.length === 0);
  const shown = first ? null : own.find((mark) => Math.abs(mark.atSeconds - seconds) < 0.3);
  const tapping = again && marks.length < 6;

  const tap = (point: Point, picture: HTMLVideoElement | null): void => {
    if (!tapping || !footage) return;
    const words = wordsAt(picture, point);
    if (!first) return setFirst({ point, words });
    const mark: WhoMark = { footageId: footage.id, atSeconds: seconds, client: first.point, partner: point };
    const isFirst = marks.length === 0;
    change({
      whoMarks: [...marks.filter((m) => m.footageId !== footage.id || Math.abs(m.atSeconds - seconds) >= 0.3), mark],
      // Words that were written by hand stay; a later tap only says where the two are by then.
      ...((isFirst || !intake.whoClient) && first.words && { whoClient: first.words }),
      ...((isFirst || !intake.whoPartner) && words && { whoPartner: words }),
    });
    setFirst(null);
    setAgain(false);
  };

  return (
    <>
      <FootageChoice
        footages={draft.footages}
        chosen={footage?.id}
        onChoose={(id) => (setFootageId(id), setFirst(null), setAgain(!marks.some((m) => m.footageId === id)))}
      />
      {footage && (
        <>
          <p className="font-semibold" aria-live="polite">
            {!tapping
              ? 'You are both marked.'
              : first
                ? 'Now tap your partner’s top.'
                : 'Go to a moment where both are seen, and tap your own top.'}
          </p>
          <ClientVideo key={footage.id} footage={footage} seconds={seconds} onSeconds={(s) => (setSeconds(s), setFirst(null))} onTap={tap}>
            {first && <Spot {...first.point} words="You" look="client" />}
            {shown && <Spot {...shown.client} words="You" look="client" />}
            {shown && <Spot {...shown.partner} words="Partner" look="partner" />}
          </ClientVideo>
        </>
      )}
      {own.length > 0 && !tapping && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
          {own.map((mark) => (
            <span key={mark.atSeconds} className="flex items-center">
              <button type="button" className="linked time min-h-11" onClick={() => setSeconds(mark.atSeconds)}>
                {clockText(mark.atSeconds)}
              </button>
              <Button look="quiet" className="min-h-11" onClick={() => change({ whoMarks: marks.filter((m) => m !== mark) })}>
                Take away
              </Button>
            </span>
          ))}
          <Button look="plain" className="min-h-11" onClick={() => setAgain(true)}>
            We changed sides: mark us again
          </Button>
        </div>
      )}
      <TopWords
        label="You"
        hint="Read off the picture where you tapped; change it as you like."
        value={intake.whoClient}
        placeholder="violet top"
        onChange={(whoClient) => change({ whoClient })}
      />
      <TopWords label="Your partner" value={intake.whoPartner} placeholder="white top" onChange={(whoPartner) => change({ whoPartner })} />
    </>
  );
}

interface TopWordsProps {
  label: string;
  hint?: string;
  value: string | null | undefined;
  placeholder: string;
  onChange: (words: string) => void;
}

/** How somebody is told apart on film, in words. */
const TopWords = ({ label, hint, value, placeholder, onChange }: TopWordsProps) => (
  <Field label={label} {...(hint && { hint })}>
    {(field) => (
      <input
        {...field}
        maxLength={120}
        value={value ?? ''}
        placeholder={placeholder}
        onChange={({ target }) => onChange(target.value)}
        className={inputClass}
        autoComplete="off"
      />
    )}
  </Field>
);

/** The colour at a place of the picture as it stands, in words; empty where the browser does not let the page look. */
function wordsAt(video: HTMLVideoElement | null, { x, y }: Point): string {
  if (!video || video.videoWidth === 0) return '';
  const width = 640;
  const height = Math.round((width * video.videoHeight) / video.videoWidth);
  const context = Object.assign(document.createElement('canvas'), { width, height }).getContext('2d', { willReadFrequently: true });
  if (!context) return '';
  context.drawImage(video, 0, 0, width, height);
  return `${colourWordsAt(context.getImageData(0, 0, width, height).data, width, height, x, y)} top`;
}
