import type { Footage } from '@lean-mentor/contract';
import { useSelector } from 'react-redux';
import { useProgress } from '../footage/index.ts';
import { uploadWords } from './uploadWords.ts';
import { uploadsSlice, type UploadNow } from './uploadsSlice.ts';

/** One quiet line for each video that is still on its way, below whatever step is open. */
export const UploadsGlance = ({ footages }: { footages: readonly Footage[] }) => (
  <ul aria-label="Videos on their way" className="mt-6 text-desk text-reed empty:hidden">
    {footages.map((footage) => (
      <Glance key={footage.id} footage={footage} />
    ))}
  </ul>
);

function Glance({ footage }: { footage: Footage }) {
  const now = useSelector((state: { [uploadsSlice.name]: Record<string, UploadNow> }) => state[uploadsSlice.name][footage.id]);
  const { state, step } = useProgress(footage);
  if (state === 'ready' || state === 'failed') return null;
  const words = state !== 'uploading' ? step : now ? uploadWords(now) : 'Not all of it has arrived; choose it again in the first step';
  return (
    <li className="truncate">
      {footage.fileName}: {words}
    </li>
  );
}
