import type { Footage } from '@lean-mentor/contract';
import { getFrameStill } from '@lean-mentor/contract';
import { clockText } from '@lean-mentor/core/footage';
import { addressOf } from '../../shared/wire/index.ts';
import { ReplaceFile } from './ReplaceFile.tsx';
import { FootageProgressLine, useGetFrameTableQuery, useGetMotionQuery, useProgress } from '../footage/index.ts';

/** Whether footage can be judged: advice in words, each with the frame it is about. */
export function FootageVerdict({ footage, named, unsent = false }: { footage: Footage; named: boolean; unsent?: boolean }) {
  const { state, retryHelps } = useProgress(footage);
  const ready = state === 'ready';
  const { data: motion } = useGetMotionQuery(footage.id, { skip: !ready });
  // What is not of single frames: how much of it did not come at all.
  const missing = motion ? footage.advice.filter((words) => !motion.advice.some((one) => one.words === words)) : [];
  const { data: table } = useGetFrameTableQuery(footage.id, { skip: !ready });
  return (
    <div className="flex flex-col gap-2">
      {named && <p className="truncate font-semibold">{footage.fileName}</p>}
      {state === 'uploading' && (
        <p className="text-reed">
          Whether it can be judged is seen when it has arrived. You can send before: it reaches the coach with its last byte.
        </p>
      )}
      {state !== 'uploading' && <FootageProgressLine footage={footage} />}
      {state === 'failed' && !retryHelps && <ReplaceFile footage={footage} />}
      {missing.map((words) => (
        <p key={words} role="note" className="border-l-4 border-brick pl-2">
          {words}
        </p>
      ))}
      {motion?.advice.length === 0 && missing.length === 0 && <p>The footage can be judged: nothing is lost, dark or blurred.</p>}
      {motion && motion.advice.length > 0 && (
        <>
          <ul className="flex flex-col divide-y divide-seam border-y border-seam">
            {motion.advice.map(({ kind, fromFrame, toFrame, words }) => {
              const frame = Math.floor((fromFrame + toFrame) / 2);
              return (
                <li key={`${kind} ${fromFrame}`} className="grid grid-cols-[104px_1fr] items-start gap-3 py-3">
                  <img
                    src={addressOf(getFrameStill, { footageId: footage.id, frame })}
                    alt={table ? `The picture at ${clockText(table.times[frame] ?? 0)}` : 'The picture'}
                    className="w-full bg-stage"
                    loading="lazy"
                  />
                  <p className="text-desk">{words}</p>
                </li>
              );
            })}
          </ul>
          <p className="text-desk text-reed">{unsent && 'It can be sent as it is. '}What is not seen cannot be judged.</p>
        </>
      )}
    </div>
  );
}
