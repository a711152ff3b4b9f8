import { ChevronLeft, ChevronRight, Pause, Play, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button, IconButton } from '../../../shared/primitives/index.ts';
import { useScene } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { directionOf } from '../keys/useDeskKeys.ts';
import type { WritingHand } from '../useWriting.ts';
import { CompareCell } from './CompareCell.tsx';
import { download } from '../../../shared/download.ts';
import { comparisonPicture } from './savePicture.ts';
import type { TrayHand } from './useTray.ts';

/** One step of all together, in seconds, and how fast they play together. */
const stepSeconds = 1 / 30;
const playSpeed = 0.5;

/** Two to four frames beside or over each other, stepped together from their anchors. */
export function CompareTray({ tray, writing }: { tray: TrayHand; writing: WritingHand }) {
  const { actions, subject, size } = useScene();
  const { items, layout } = tray;
  const [offset, setOffset] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [opacity, setOpacity] = useState(0.5);
  const canvases = useRef<(HTMLCanvasElement | null)[]>([]);
  const over = layout === 'over';
  // Two wide pictures are larger one below the other, two tall ones side by side.
  const columns = items.length > 2 || (items.length === 2 && size.height > size.width) ? 'grid-cols-2' : '';

  useEffect(() => {
    if (!playing) return;
    let last: number | null = null;
    let asked = requestAnimationFrame(function go(now) {
      const passed = last === null ? 0 : now - last;
      last = now;
      setOffset((seconds) => seconds + (passed / 1000) * playSpeed);
      asked = requestAnimationFrame(go);
    });
    return () => cancelAnimationFrame(asked);
  }, [playing]);
  const keyName = useKeyName();
  const step = (steps: number): void => {
    setPlaying(false);
    setOffset((seconds) => Math.round(seconds / stepSeconds + steps) * stepSeconds);
  };
  useEffect(() => {
    const keys = (event: KeyboardEvent): void => {
      const direction = directionOf(event.code);
      if (!direction) return;
      if (event.target instanceof HTMLElement && event.target.matches('input, textarea')) return;
      step(direction * (event.shiftKey ? 10 : 1));
    };
    addEventListener('keydown', keys);
    return () => removeEventListener('keydown', keys);
  }, []);

  const save = async (): Promise<void> => {
    const there = canvases.current.slice(0, items.length).filter((canvas) => canvas !== null);
    const picture = await comparisonPicture(
      there,
      items.map((item) => item.mirrored),
      over ? opacity : null,
    );
    if (picture) download(picture, `${subject.client.name} compared.png`);
  };
  const { note } = writing;
  const attach = (): void => {
    if (!note) return;
    const kept = items.map(({ words: _words, ...item }) => item);
    const comparisonId = actions.add('comparison', {
      name: items
        .map((item) => item.words)
        .join(' and ')
        .slice(0, 120),
      layout,
      items: kept,
    });
    actions.change('note', note.id, { comparisonId });
  };

  return (
    <section aria-label="Compare tray" className="absolute inset-0 z-10 flex flex-col gap-2 bg-straw p-2">
      <div className={over ? 'relative min-h-0 grow' : `grid min-h-0 grow auto-rows-fr gap-2 ${columns}`}>
        {items.map((item, i) => (
          <CompareCell
            key={`${item.footageId} ${i}`}
            item={item}
            offsetSeconds={offset}
            opacity={over ? (i === 0 ? 1 : opacity) : null}
            canvasRef={(canvas) => {
              canvases.current[i] = canvas;
            }}
            onChange={(fields) => tray.change(i, fields)}
            onDrop={() => tray.drop(i)}
          />
        ))}
      </div>
      <div className="flex items-center gap-2">
        <IconButton
          icon={playing ? Pause : Play}
          words={playing ? 'Stop' : 'Play all at half speed'}
          onClick={() => setPlaying(!playing)}
        />
        <IconButton icon={ChevronLeft} words={`All one step back (${keyName('back')})`} onClick={() => step(-1)} />
        <IconButton icon={ChevronRight} words={`All one step on (${keyName('on')})`} onClick={() => step(1)} />
        <button type="button" className="time px-1 hover:bg-linen" title="Back to the anchors" onClick={() => setOffset(0)}>
          {offset >= 0 ? '+' : '−'}
          {Math.abs(offset).toFixed(2)} s
        </button>
        <Button look={over ? 'plain' : 'pine'} onClick={() => tray.setLayout('side')}>
          Beside each other
        </Button>
        <Button look={over ? 'pine' : 'plain'} onClick={() => tray.setLayout('over')}>
          One over the other
        </Button>
        {over && (
          <input
            type="range"
            aria-label="How opaque"
            min={0.1}
            max={0.9}
            step={0.05}
            value={opacity}
            onChange={(e) => setOpacity(Number(e.target.value))}
          />
        )}
        <span className="ml-auto flex gap-1">
          {note && items.length > 1 && (
            <Button look="plain" onClick={attach}>
              Attach to the note
            </Button>
          )}
          <Button look="plain" onClick={() => void save()}>
            Save as a picture
          </Button>
          <IconButton icon={X} words="Close the tray (Esc)" onClick={tray.close} />
        </span>
      </div>
    </section>
  );
}
