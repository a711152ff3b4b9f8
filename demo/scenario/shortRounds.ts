import type { HallColours } from '../render/hall.ts';
import { outfit } from '../figure/outfit.ts';
import { step, type ClipPlan } from '../timeline/clipPlan.ts';

const schoolGym: HallColours = { matA: '#b7c3a0', matB: '#a6b48d', border: '#6a7f5a', wall: '#e6e2d8', pads: '#7a8fa0', seam: '#8f9b7c' };
const loft: HallColours = { matA: '#c4a98d', matB: '#b5997c', border: '#6b4f3a', wall: '#dcd3c6', pads: '#6f7f6a', seam: '#9a8068' };

type Outfit = Parameters<typeof outfit>[0];
const clothes = (top: string, stripe: string, legs: string | null, words: string, more: Partial<Outfit> = {}): Outfit => ({
  kind: 'rash-guard',
  top,
  stripe,
  legs,
  shorts: '#2a2d33',
  belt: null,
  skin: '#c98f6b',
  hair: '#2a1a12',
  hairStyle: 'short',
  beard: false,
  words,
  ...more,
});

/** A short stretch of a round, some twenty seconds: what a client sends who has one thing to ask. */
type Stretch = Pick<ClipPlan, 'steps' | 'events'>;

const shieldHolds: Stretch = {
  steps: [
    step('openGuard', 'partner', 0.8, 3.5),
    step('kneeShield', 'partner', 1, 4),
    step('passKneeCut', 'partner', 0.8, 0.6),
    step('kneeShield', 'partner', 0.8, 3.2),
    step('butterfly', 'partner', 1.2, 4),
  ],
  events: [{ step: 2, after: 0.2, kind: 'attempt', athlete: 'partner', technique: 'pass', outcome: 'failed' }],
};
const passed: Stretch = {
  steps: [
    step('closedGuard', 'partner', 0.9, 4),
    step('openGuard', 'partner', 1, 3),
    step('kneeShield', 'partner', 1, 2.5),
    step('passKneeCut', 'partner', 0.7, 0.4, { through: true }),
    step('sideControl', 'partner', 0.9, 5, { impact: true }),
    step('mount', 'partner', 1, 3.5),
  ],
  events: [{ step: 3, after: 0.1, kind: 'attempt', athlete: 'partner', technique: 'pass', outcome: 'success' }],
};
const backGiven: Stretch = {
  steps: [
    step('sideControl', 'partner', 0.9, 4),
    step('turtle', 'partner', 1.2, 3),
    step('backControl', 'partner', 1.2, 6, { impact: true }),
    step('turtle', 'partner', 1.3, 2.4),
  ],
  events: [
    { step: 2, after: 0.2, kind: 'attempt', athlete: 'partner', technique: 'back-take', outcome: 'success' },
    { step: 3, after: 0.2, kind: 'attempt', athlete: 'client', technique: 'escape', outcome: 'success' },
  ],
};
const topKept: Stretch = {
  steps: [
    step('closedGuard', 'client', 0.9, 4.5),
    step('openGuard', 'client', 1.1, 3),
    step('passKneeCut', 'client', 0.8, 0.5, { through: true }),
    step('sideControl', 'client', 0.9, 4.5, { impact: true }),
    step('kneeOnBelly', 'client', 0.8, 2.5),
    step('mount', 'client', 0.9, 4),
  ],
  events: [{ step: 2, after: 0.1, kind: 'attempt', athlete: 'client', technique: 'pass', outcome: 'success' }],
};
const takenDown: Stretch = {
  steps: [
    step('collarTie', 'partner', 1.4, 4),
    step('singleLegShot', 'partner', 0.6, 0.6),
    step('singleLegUp', 'partner', 0.7, 1.4),
    step('fallBack', 'partner', 0.5, 0, { through: true, impact: true }),
    step('openGuard', 'partner', 0.7, 4),
    step('closedGuard', 'partner', 1, 4),
  ],
  events: [{ step: 1, after: 0.2, kind: 'attempt', athlete: 'partner', technique: 'takedown', outcome: 'success' }],
};

const round = (
  name: string,
  seed: number,
  stretch: Stretch,
  hall: HallColours,
  client: { heightMetres: number; outfit: Outfit },
  partner: { heightMetres: number; outfit: Outfit },
): ClipPlan => ({
  name,
  seed,
  fps: 15,
  lead: 2,
  tail: 2,
  client: { heightMetres: client.heightMetres, outfit: outfit(client.outfit) },
  partner: { heightMetres: partner.heightMetres, outfit: outfit(partner.outfit) },
  hall,
  ...stretch,
  faults: [],
});

const teo = { heightMetres: 1.66, outfit: clothes('#2f6f4f', '#d9f0dd', null, 'green top, the shorter one', { shorts: '#22303a' }) };
const wen = { heightMetres: 1.74, outfit: clothes('#4a4f57', '#d6d2c4', '#33373d', 'grey top, grey hair', { hair: '#b9b6ae' }) };
const petra = { heightMetres: 1.7, outfit: clothes('#a83f5f', '#f6d6de', '#2b2430', 'rose top, long hair tied', { hairStyle: 'bun' }) };
const odalys = {
  heightMetres: 1.67,
  outfit: clothes('#d0a12f', '#fff1c9', '#3a3330', 'yellow top', { hairStyle: 'bun', skin: '#8a5a3c' }),
};
const bram = { heightMetres: 1.8, outfit: clothes('#3f7a3a', '#eaf6d8', null, 'green top, bare legs', { skin: '#6d4630', beard: true }) };
const ilse = { heightMetres: 1.72, outfit: clothes('#6a58c4', '#efe9ff', '#24262e', 'violet top, black leggings', { hairStyle: 'bun' }) };
const noor = {
  heightMetres: 1.7,
  outfit: clothes('#f1efe8', '#b7a98a', '#2c3440', 'white top, hair in a bun', { hairStyle: 'bun', skin: '#a8714d' }),
};

const inBlue = {
  heightMetres: 1.75,
  outfit: clothes('#2f5fb3', '#dbe8ff', null, 'blue top, bare legs', { skin: '#e2b79a', hair: '#b98d4a' }),
};
const inBlack = { heightMetres: 1.82, outfit: clothes('#26282c', '#8d8f94', '#26282c', 'all in black', { beard: true }) };
const inOrange = { heightMetres: 1.78, outfit: clothes('#d97a2b', '#fff2d8', '#33507a', 'orange top, blue leggings', { skin: '#e3b596' }) };

/** Rounds that wait beside the longer ones: one question each. */
export const shortRounds: readonly ClipPlan[] = [
  round('teo-school-mat', 61, shieldHolds, schoolGym, teo, inBlue),
  round('teo-second-round', 62, takenDown, schoolGym, teo, inOrange),
  round('wen-slow-morning', 63, topKept, loft, wen, inBlack),
  round('wen-stiff-side', 64, backGiven, loft, wen, inBlue),
  round('petra-net-loft', 65, passed, loft, petra, inOrange),
  round('odalys-first-week', 66, takenDown, schoolGym, odalys, inBlack),
  round('bram-after-shift', 67, topKept, schoolGym, bram, inOrange),
  round('ilse-low-tide', 68, shieldHolds, loft, ilse, inBlack),
  round('noor-second-grip', 69, backGiven, schoolGym, noor, inBlue),
];
