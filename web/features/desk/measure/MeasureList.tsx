import { measureAtFrame } from '@lean-mentor/core/desk';
import { Eye, EyeOff, Trash2 } from 'lucide-react';
import { IconButton } from '../../../shared/primitives/index.ts';
import { useOnStage, useScene, useContents } from '../DeskScene.ts';
import { measureWords } from './measureWords.ts';

/** The measurements that stand on this frame, each with what it says. */
export function MeasureList() {
  const { actions, isLost } = useScene();
  const { document } = useContents();
  const measures = Object.values(document.measures);
  const here = useOnStage((state) =>
    measures
      .filter((measure) => measureAtFrame(measure, state.frame))
      .map(({ id }) => id)
      .join(' '),
  );
  if (here === '') return null;
  return (
    <ul aria-label="Measurements on this frame" className="flex flex-col divide-y divide-seam border-t border-seam text-small">
      {here.split(' ').map((id) => {
        const measure = document.measures[id];
        if (!measure) return null;
        return (
          <li key={id} className="flex items-center gap-2 px-3 py-0.5">
            <strong className="shrink-0">{measureWords[measure.input.kind].words}</strong>
            <span className="grow">
              {measure.result.words}
              {[measure.atFrame, measure.toFrame ?? measure.atFrame].some(isLost) && (
                <span className="ml-2 border-l-4 border-brass pl-2">The action is out of the picture there.</span>
              )}
            </span>
            <IconButton
              icon={measure.drawn ? Eye : EyeOff}
              words={measure.drawn ? 'Shown on the picture; hide it' : 'Show it on the picture'}
              onClick={() => actions.change('measure', id, { drawn: !measure.drawn })}
            />
            <IconButton icon={Trash2} words="Take this measurement away" onClick={() => actions.remove('measure', id)} />
          </li>
        );
      })}
    </ul>
  );
}
