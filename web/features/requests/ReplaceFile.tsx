import type { Footage } from '@lean-mentor/contract';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { FaultNote, FileButton } from '../../shared/primitives/index.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { useReplaceFootageMutation } from './api.ts';
import { startUpload } from './uploads.ts';

/** In the place of a file that cannot be read its client chooses another one, at once. */
export function ReplaceFile({ footage }: { footage: Footage }) {
  const role = useAccount()?.role;
  const [replace, { isLoading }] = useReplaceFootageMutation();
  const [fault, setFault] = useState<string | null>(null);
  const dispatch = useDispatch();
  if (role !== 'client' && role !== 'guardian') return <p className="text-desk text-reed">The client was asked for another file.</p>;
  const take = async (file: File): Promise<void> => {
    const { id, requestId } = footage;
    const { data, error } = await replace({ requestId, footageId: id, fileName: file.name.slice(-255), byteSize: file.size });
    setFault(error ? faultWords(error) : null);
    if (data) void startUpload(dispatch, data.id, file);
  };
  return (
    <>
      <FileButton
        words="Choose another file"
        accept="video/*,.mkv,.ts,.avi"
        disabled={isLoading}
        onFile={(file) => void take(file)}
        className="min-h-12 self-start rounded-sm border border-pine bg-linen px-4 text-desk"
      />
      {fault && <FaultNote>{fault}</FaultNote>}
    </>
  );
}
