import { comparedSpan } from '@lean-mentor/core/desk';
import { inARow, type TakeCompared } from '@lean-mentor/core/takes';
import { ChevronLeft, ChevronRight, Pause, Play, X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { download } from '../../../shared/download.ts';
import { Button, IconButton } from '../../../shared/primitives/index.ts';
import { offsetText, useTogether, type Together } from '../../footage/index.ts';
import { useControls } from '../DeskControls.tsx';
import { useScene } from '../DeskScene.ts';
import { useKeyName } from '../keys/keyMap.ts';
import { directionOf } from '../keys/useDeskKeys.ts';
import { CompareCell } from './CompareCell.tsx';
import { comparisonPicture } from './savePicture.ts';
import type { TrayItem } from './trayStore.ts';
import { comparisonOf } from './useTray.ts';

const framesWithShift = 10;

/** What lies in the tray, as a take writes it down. */
const comparedOf = (items: readonly TrayItem[]): TakeCompared[] =>
  items.map(({ footageId, anchorFrame, fromFrame, toFrame, mirrored }) => ({
    ...{ footageId, anchorFrame, mirrored },
    range: toFrame === null ? null : { fromFrame, toFrame },
  }));

/** The keys that step a footage step all of them. */
function useStepKeys(step: Together['step']): void {
  useEffect(() => {
    const keys = (event: KeyboardEvent): void => {
      const direction = directionOf(event.code);
      if (!direction || (event.target instanceof HTMLElement && event.target.matches('input, textarea'))) return;
      step(direction * (event.shiftKey ? framesWithShift : 1));
    };
    addEventListener('keydown', keys);
    return () => removeEventListener('keydown', keys);
  }, [step]);
}

/** Two to four frames or ranges beside or over each other, stepped together from their anchors. */
export function CompareTray() {
  const { size, subject } = useScene();
  const { items, layout, step, tellSeen } = useControls('tray');
  const compared = useMemo(() => comparedOf(items), [items]);
  const together = useTogether(compared);
  const { all, takeTable, offset, rate } = together;
  useStepKeys(together.step);
  const [opacity, setOpacity] = useState(0.5);
  useEffect(() => {
    tellSeen({ layout, opacity, items: compared, offset, rate, span: comparedSpan(all) });
  });
  useEffect(() => () => tellSeen(null), [tellSeen]);
  const canvases = useRef<(HTMLCanvasElement | null)[]>([]);
  const over = layout === 'over';
  const columns = inARow(items.length, size) === 2 ? 'grid-cols-2' : '';
  const save = async (): Promise<void> => {
    const there = canvases.current.slice(0, items.length).filter((canvas) => canvas !== null);
    const mirrored = items.map((item) => item.mirrored);
    const picture = await comparisonPicture(there, mirrored, over ? opacity : null);
    if (picture) download(picture, `${subject.client.name} compared.png`);
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
            takeTable={takeTable}
            canvasRef={(canvas) => {
              canvases.current[i] = canvas;
            }}
            onChange={(fields) => step({ do: 'change', at: i, fields })}
            onDrop={() => step({ do: 'drop', at: i })}
          />
        ))}
      </div>
      <div className="flex items-center gap-2">
        <TogetherButtons {...together} />
        <Layout opacity={opacity} setOpacity={setOpacity} />
        <span className="ml-auto flex gap-1">
          <Attach />
          <Button look="plain" onClick={() => void save()}>
            Save as a picture
          </Button>
          <IconButton icon={X} words="Close the tray (Esc)" onClick={() => step({ do: 'close' })} />
        </span>
      </div>
    </section>
  );
}

function TogetherButtons({ offset, playing, setPlaying, step, goTo }: Together) {
  const keyName = useKeyName();
  return (
    <>
      <IconButton icon={playing ? Pause : Play} words={playing ? 'Stop' : 'Play all at half speed'} onClick={() => setPlaying(!playing)} />
      <IconButton icon={ChevronLeft} words={`All one frame back (${keyName('back')})`} onClick={() => step(-1)} />
      <IconButton icon={ChevronRight} words={`All one frame on (${keyName('on')})`} onClick={() => step(1)} />
      <button type="button" className="time px-1 hover:bg-linen" title="Back to the anchors" onClick={() => goTo(0)}>
        {offsetText(offset)}
      </button>
    </>
  );
}

function Layout({ opacity, setOpacity }: { opacity: number; setOpacity: (opacity: number) => void }) {
  const { layout, step } = useControls('tray');
  return (
    <>
      <Button look={layout === 'over' ? 'plain' : 'pine'} onClick={() => step({ do: 'layout', layout: 'side' })}>
        Beside each other
      </Button>
      <Button look={layout === 'over' ? 'pine' : 'plain'} onClick={() => step({ do: 'layout', layout: 'over' })}>
        One over the other
      </Button>
      {layout === 'over' && (
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
    </>
  );
}

/** Keeps the comparison with the note that is open. */
function Attach() {
  const { actions } = useScene();
  const { note } = useControls('writing');
  const tray = useControls('tray');
  if (!note || tray.items.length < 2) return null;
  const attach = (): void => actions.change('note', note.id, { comparisonId: actions.add('comparison', comparisonOf(tray)) });
  return (
    <Button look="plain" onClick={attach}>
      Attach to the note
    </Button>
  );
}
