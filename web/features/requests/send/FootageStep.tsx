import { Trash2 } from 'lucide-react';
import { FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { FootageProgressLine } from '../../footage/index.ts';
import { UploadLine } from '../UploadLine.tsx';
import { useRemoveFootageMutation } from '../api.ts';
import { stopUpload } from '../uploads.ts';
import { AddFiles } from './AddFiles.tsx';
import type { StepProps } from './StepProps.ts';

/** The videos of a request; sending them begins at once and goes on behind the other steps. */
export function FootageStep({ draft }: Pick<StepProps, 'draft'>) {
  const [remove, { error }] = useRemoveFootageMutation();
  return (
    <>
      <ul className="flex flex-col divide-y divide-seam border-y border-seam empty:hidden">
        {draft.footages.map((footage) => (
          <li key={footage.id} className="flex flex-col gap-2 py-3">
            <p className="flex items-center gap-3">
              <span className="min-w-0 grow truncate font-semibold">{footage.fileName}</span>
              <button
                type="button"
                aria-label={`Take ${footage.fileName} away`}
                className="flex size-11 shrink-0 items-center justify-center hover:bg-linen"
                onClick={() => {
                  stopUpload(footage.id);
                  void remove({ requestId: draft.id, footageId: footage.id });
                }}
              >
                <Trash2 size={18} />
              </button>
            </p>
            {/* As high when it has arrived as on its way: what is below must not move under a thumb. */}
            <div className="min-h-24">
              {footage.state === 'uploading' ? <UploadLine footage={footage} /> : <FootageProgressLine footage={footage} />}
            </div>
            {footage.state === 'ready' && <p className="text-desk text-reed">Arrived and ready.</p>}
          </li>
        ))}
      </ul>
      {error && <FaultNote>{faultWords(error)}</FaultNote>}
      <AddFiles requestId={draft.id} more={draft.footages.length > 0} />
      <p className="text-desk text-reed">
        As your phone recorded it, the whole round. Several matches of one day, or two cameras of the same bout, belong together here.
        Sending goes on while you answer what follows, and where it stops it goes on where it stopped.
      </p>
    </>
  );
}
