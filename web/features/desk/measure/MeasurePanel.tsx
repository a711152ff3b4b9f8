import { X } from 'lucide-react';
import { Button, IconButton, Select } from '../../../shared/primitives/index.ts';
import { useFrame, useScene } from '../DeskScene.ts';
import { jointWords, measureWords } from './measureWords.ts';
import { useControls } from '../DeskControls.tsx';

const tileSizes = [0.5, 1, 1.5, 2] as const;

/** While something is measured: what to press next, and the few numbers that only the coach knows. */
export function MeasurePanel() {
  const { work, asks, draft, step, done } = useControls('measuring');
  const { secondsAt } = useScene();
  const frame = useFrame();
  if (!work) return null;
  const { words, how } = measureWords[work.kind];
  return (
    <section aria-label="Measuring" className="flex grow flex-col gap-3 px-3 py-2">
      <div className="flex items-center gap-3">
        <h2 className="text-desk">{words}</h2>
        <p className="grow">{asks ? `Press ${jointWords[asks]}.` : work.kind === 'balance' ? 'Press every contact with the mat.' : how}</p>
        <IconButton icon={X} words="Leave measuring (Esc)" onClick={() => step({ do: 'leave' })} />
      </div>
      {work.kind === 'mat' && (
        <div className="flex flex-wrap items-center gap-4 text-small">
          <Count label="Tiles wide" value={work.wide} onChange={(wide) => step({ do: 'adjust', fields: { wide } })} />
          <Count label="Tiles deep" value={work.deep} onChange={(deep) => step({ do: 'adjust', fields: { deep } })} />
          <label className="flex items-center gap-2">
            A tile is
            <Select
              value={String(work.tileMetres)}
              options={tileSizes.map((metres) => ({ value: String(metres), words: `${metres} m` }))}
              onChange={(metres) => step({ do: 'adjust', fields: { tileMetres: Number(metres) } })}
            />
          </label>
          <p className="text-reed">{work.spots.length} corners down.</p>
        </div>
      )}
      {work.kind === 'time' && (
        <p className="time">
          {frame - work.atFrame} frames, {(secondsAt(frame) - secondsAt(work.atFrame)).toFixed(2)} s
        </p>
      )}
      <div className="flex gap-2">
        {work.kind !== 'angle' && work.kind !== 'distance' && <Button onClick={done}>Done</Button>}
        {asks && (
          <Button look="plain" onClick={() => step({ do: 'pass' })}>
            It is hidden
          </Button>
        )}
        <Button look="quiet" onClick={() => step({ do: 'takeBack' })} disabled={draft.length === 0}>
          Take the last dot back
        </Button>
      </div>
    </section>
  );
}

function Count({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <input
        type="number"
        min={1}
        max={20}
        value={value}
        onChange={(e) => onChange(Math.min(20, Math.max(1, Math.round(Number(e.target.value) || 1))))}
        className="w-14 rounded-sm border border-seam bg-linen px-2 py-1"
      />
    </label>
  );
}
