import type { Caption } from '@lean-mentor/core/takes';
import { bramVoice } from '@lean-mentor/demo';
import { chmod, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { CritiqueHouse } from '../../testing/critiqueHouse.ts';
import { runDue } from '../../testing/jobs.ts';
import { clientA } from '../../testing/people.ts';

let at: CritiqueHouse;
let voice: Buffer;
let takeId: string;
beforeAll(async () => {
  at = await CritiqueHouse.opened();
  voice = await readFile(bramVoice.file);
  await at.bringReviewed(clientA);
  const whole = { t: 0, kind: 'stage', frame: 0, rate: 0, view: { zoom: 1, x: 0, y: 0 }, mirrored: false } as const;
  takeId = await at.speak(voice, [{ ...whole, strokes: [], drawings: [], note: null }]);
});
afterAll(() => at.close());
beforeEach(() => void (at.house.config.recogniser = null));

const path = () => `/api/requests/${at.requestId}/takes/${takeId}/words`;
const ask = (body: object, who = at.coach) => who.ask('post', path(), body);
async function laid(body: object): Promise<{ captions: Caption[]; placed: number }> {
  expect((await ask(body)).body.words).toMatchObject({ state: 'waiting' });
  await runDue(at.house, 'lay-words');
  return (await at.coach.ask('get', path())).body;
}
const written = (origin: 'drafted' | 'typed', ...texts: { from: number; to: number; text: string }[]) => ({ of: 'text', origin, texts });
const lineAt = (i: number) => bramVoice.lines[i]!;

describe('the words of a take', () => {
  it('that the coach wrote down lie where each of them is heard', async () => {
    const text = bramVoice.lines.map(({ say }) => say).join(' ');
    const { captions, placed } = await laid(written('typed', { from: 0, to: 86, text }));
    expect(placed).toBe(captions.length);
    expect(captions.every(({ origin }) => origin === 'typed')).toBe(true);
    expect(captions.map(({ words }) => words).join(' ')).toBe(text);
    for (const { say, from } of bramVoice.lines) {
      const first = captions.find(({ words }) => say.startsWith(words));
      if (first) expect(Math.abs(first.from - from), say).toBeLessThan(0.25);
    }
  });

  it('drafted from notes lie in the stretch where the note was open; one that was not read out is spread over it', async () => {
    const [read, end] = [lineAt(2), lineAt(3)];
    const unsaid = 'Seven men carry large wooden boxes along the narrow street toward an old harbour where nobody waits.';
    const { captions, placed } = await laid(
      written('drafted', { from: read.from, to: end.from, text: read.say }, { from: 40, to: 50, text: unsaid }),
    );
    const spoken = captions.filter(({ from }) => from < 40);
    expect(placed).toBe(spoken.length);
    expect(Math.abs(spoken[0]!.from - read.from)).toBeLessThan(0.25);
    expect(captions.at(-1)!.to).toBeCloseTo(50, 0);
    expect(captions.every(({ origin }) => origin === 'drafted')).toBe(true);
  });

  it('in a language that nothing here knows are spread as well', async () => {
    const text = 'Der Ellenbogen verlässt die Rippen, und deshalb verlierst du jedes Mal die Lage.';
    const { captions, placed } = await laid(written('drafted', { from: 10, to: 20, text }));
    expect([placed, captions[0]!.from, captions.map(({ words }) => words).join(' ')]).toEqual([0, 10, text]);
  });

  it('are written down by whatever recogniser the house was given, marked as heard', async () => {
    const script = join(at.house.config.dataDir, 'hears');
    const said = '00:01.000 --> 00:03.500\n<v Coach>Keep it\nin.\n\n00:04.000 --> 01:39:00.000\nThen turn.\n';
    await writeFile(script, `#!/bin/sh\n[ -s "$1" ] && [ -z "$LEAN_SECRET" ] && printf 'WEBVTT\n\n%s' '${said}' > "$2"\n`);
    await chmod(script, 0o755);
    expect((await ask({ of: 'voice' })).body.message).toContain('LEAN_RECOGNISER');
    at.house.config.recogniser = `${script} {voice} {words}`;
    const { captions } = await laid({ of: 'voice' });
    expect(captions).toEqual([
      { from: 1, to: 3.5, words: 'Keep it in.', origin: 'heard' },
      { from: 4, to: expect.closeTo(86, -1), words: 'Then turn.', origin: 'heard' },
    ]);
    await writeFile(script, '#!/bin/sh\nprintf nothing > "$2"\n');
    await ask({ of: 'voice' });
    await runDue(at.house, 'lay-words');
    const takes = (await at.coach.ask('get', `/api/requests/${at.requestId}/takes`)).body;
    expect(takes[0]).toMatchObject({ canBeHeard: true, words: { state: 'failed', failure: expect.stringContaining('no WebVTT') } });
    expect((await at.coach.ask('get', path())).body.code).toBe('not-now');
  });

  it('are asked for by the coaching side alone, of what was said, and the last asking counts', async () => {
    expect((await ask(written('typed', { from: 0, to: 5, text: 'Hello' }), await at.visit('client'))).status).toBe(403);
    expect((await ask(written('typed', { from: 80, to: 500, text: 'Hello' }))).body.message).toContain('nothing was said');
    await ask(written('typed', { from: 0, to: 5, text: 'Hello Bram' }));
    const { captions } = await laid(written('typed', { from: 9, to: 12, text: 'Start with what went well' }));
    expect(captions.map(({ words }) => words)).toEqual(['Start with what went well']);
  });
});
