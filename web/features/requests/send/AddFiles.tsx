import { Film } from 'lucide-react';
import { useId, useState } from 'react';
import { useDispatch } from 'react-redux';
import { FaultNote } from '../../../shared/primitives/index.ts';
import { faultWords } from '../../../shared/wire/index.ts';
import { useAddFootageMutation } from '../api.ts';
import { startUpload } from '../uploads.ts';

interface AddFilesProps {
  /** The request the files belong to, or how to come by one. */
  requestId: string | (() => Promise<string | null>);
  more: boolean;
  onAdded?: (requestId: string) => void;
}

/** Takes files and begins to send them. */
export function AddFiles({ requestId, more, onAdded }: AddFilesProps) {
  const id = useId();
  const [add] = useAddFootageMutation();
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const dispatch = useDispatch();

  const take = async (files: File[]): Promise<void> => {
    if (files.length === 0) return;
    setFault(null);
    setBusy(true);
    const to = typeof requestId === 'string' ? requestId : await requestId();
    for (const file of to ? files : []) {
      const { data, error } = await add({ requestId: to!, fileName: file.name.slice(-255), byteSize: file.size });
      if (data) void startUpload(dispatch, data.id, file);
      else setFault(`${file.name}: ${faultWords(error)}`);
    }
    setBusy(false);
    if (to) onAdded?.(to);
  };

  return (
    <>
      <label
        htmlFor={id}
        aria-busy={busy}
        className="relative flex min-h-16 cursor-pointer items-center gap-3 border border-dashed border-reed bg-linen px-4 py-3 has-focus-visible:outline-2 has-focus-visible:outline-pine aria-busy:opacity-60"
      >
        <Film size={22} className="shrink-0 text-pine" aria-hidden />
        <span className="grow font-semibold">{more ? 'Add another video' : 'Choose the video'}</span>
        <input
          id={id}
          type="file"
          accept="video/*,.mkv,.ts,.avi"
          multiple
          disabled={busy}
          className="absolute inset-0 size-full cursor-pointer opacity-0"
          onChange={(e) => {
            void take([...(e.target.files ?? [])]);
            e.target.value = '';
          }}
        />
      </label>
      {fault && <FaultNote>{fault}</FaultNote>}
    </>
  );
}
