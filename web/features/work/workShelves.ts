import { getClientWork, logWork } from '@lean-mentor/contract';
import { z } from 'zod';
import { browserShelf } from '../../shared/keeping/index.ts';
import { doing } from './doing.ts';

/** What goes to the server of work that was done, and under which names. */
export const unsent = z.object({ clientId: z.string(), workId: z.string(), doneWorkId: z.string(), body: logWork.body });
export type Unsent = z.infer<typeof unsent>;
/** What the server does not take, and why. */
export const refusedEntry = z.object({ entry: unsent, why: z.string() });

const keptWork = z.array(z.object({ id: z.string(), name: z.string(), answer: getClientWork.response }));
export type KeptWork = z.infer<typeof keptWork>;

const whose = (account: string) => ({ whose: { account } });
/** The work of those whom somebody sees, as it came last. */
export const workShelf = (owner: string) => browserShelf({ name: 'work', ...whose(owner), schema: keptWork });
/** What is being done now. */
export const doingShelf = (owner: string) => browserShelf({ name: 'doing', ...whose(owner), schema: doing });
/** What was done and is on its way, oldest first. */
export const unsentShelf = (owner: string) => browserShelf({ name: 'done', ...whose(owner), schema: z.array(unsent) });
export const refusedShelf = (owner: string) => browserShelf({ name: 'done-refused', ...whose(owner), schema: z.array(refusedEntry) });

/** Takes somebody's work off this browser. What they entered and has not arrived stays: it is theirs when they come back. */
export const forgetWork = (owner: string): void => {
  workShelf(owner).clear();
  doingShelf(owner).clear();
};
