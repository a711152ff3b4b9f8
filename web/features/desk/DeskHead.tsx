import type { Bout, Footage, Request } from '@lean-mentor/contract';
import { clockText, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { ruleSheetWords } from '@lean-mentor/core/scoring';
import { FacePlate } from '../../shared/primitives/index.ts';
import { Link, useSearchParams } from 'react-router';
import { kindWords } from '../requests/index.ts';
import type { DeskSubject } from './api.ts';
import { SaidPopover } from './SaidPopover.tsx';
import type { PlayerState } from '../footage/index.ts';
import { useDeskState } from './useDesk.ts';

const savingWords = { saved: 'Saved', saving: 'Saving …', kept: 'Not reached the server yet; kept in this browser' };

interface DeskHeadProps {
  request: Request;
  footage: Footage;
  client: DeskSubject['client'];
  table: FrameTable;
  bout: Bout | undefined;
  now: PlayerState;
  /** To a moment that the client marked. */
  onMark: (footageId: string, atSeconds: number) => void;
}

/** Which of the request's videos is on the stage. */
function FootagePicker({ footages, footage }: { footages: readonly Footage[]; footage: Footage }) {
  const [, setSearch] = useSearchParams();
  return (
    <select
      aria-label="Video on the stage"
      value={footage.id}
      onChange={(e) => setSearch({ footage: e.target.value })}
      className="max-w-44 shrink-0 rounded-sm border border-seam bg-linen px-2 py-1"
    >
      {footages.map(({ id, fileName, state }, i) => (
        <option key={id} value={id} disabled={state !== 'ready'}>
          {i + 1}. {fileName}
          {state !== 'ready' && ' (not ready)'}
        </option>
      ))}
    </select>
  );
}

/** One line above the desk: who, what they asked, what hurts, the bout's clock, and whether all is saved. */
export function DeskHead({ request, footage, client, table, bout, now, onMark }: DeskHeadProps) {
  const { saving } = useDeskState();
  const hurts = [...(request.hurtsToday ? [`Today: ${request.hurtsToday}`] : []), ...client.hurts];
  const seconds = secondsOfFrame(table, now.frame) - secondsOfFrame(table, bout?.fromFrame ?? 0);
  return (
    <header className="col-span-2 flex min-w-0 items-center gap-4 border-b border-seam px-3">
      <Link to="/today" className="linked shrink-0">
        Today
      </Link>
      <FacePlate name={client.name} level={client.level} />
      <p className="shrink-0">
        <Link to={`/clients/${client.id}`} className="font-semibold hover:underline">
          {client.name}
        </Link>
        {client.age !== null && <span className="text-reed"> {client.age}</span>}
      </p>
      <SaidPopover request={request} onMark={onMark} />
      <p className="hidden shrink-0 text-small text-reed xl:block">
        {kindWords[request.kind]}, {ruleSheetWords(bout?.ruleSheet ?? request.ruleSheet)}
      </p>
      {hurts.length > 0 && (
        <p className="max-w-56 shrink-0 truncate border-l-4 border-brick pl-2 text-small" title={hurts.join('; ')}>
          {hurts.join('; ')}
        </p>
      )}
      {request.footages.length > 1 && <FootagePicker footages={request.footages} footage={footage} />}
      <p aria-live="polite" className={`ml-auto shrink-0 text-small ${saving === 'kept' ? 'font-semibold text-brick' : 'text-reed'}`}>
        {savingWords[saving]}
      </p>
      <p className="time shrink-0 text-title font-medium" aria-label="Bout clock">
        {clockText(seconds)}
      </p>
      <Link
        to={`/requests/${request.id}/wrap-up`}
        className="inline-flex min-h-8 shrink-0 items-center rounded-sm border border-pine bg-pine px-3 font-semibold text-linen hover:border-ink hover:bg-ink"
      >
        Choose the fixes
      </Link>
    </header>
  );
}
