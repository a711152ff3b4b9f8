import { measureKinds } from '@lean-mentor/core/desk';
import { Ruler } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { RowMenu, rowMenuItem } from '../RowMenu.tsx';
import { measureWords } from './measureWords.ts';
import { useControls } from '../DeskControls.tsx';

/** What can be measured on this frame. */
export function MeasureMenu() {
  const measuring = useControls('measuring');
  return (
    <RowMenu icon={Ruler} words="Measure" pressed={measuring.work !== null}>
      {measureKinds.map((kind) => (
        <DropdownMenu.Item key={kind} onSelect={() => measuring.start(kind)} className={rowMenuItem}>
          <span className="font-semibold">{measureWords[kind].words}</span>
          <span className="block text-small text-reed">{measureWords[kind].how}</span>
        </DropdownMenu.Item>
      ))}
    </RowMenu>
  );
}
