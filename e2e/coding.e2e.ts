import { boutFields } from '@lean-mentor/contract';
import { demoPractice } from '@lean-mentor/demo';
import type { Browser, ElementHandle, KeyInput } from 'puppeteer-core';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { askAs } from './critiqueSteps.ts';
import { openDeskOf, type DeskPage } from './deskPage.ts';
import { laptop, launch, visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
// Ilse's round was brought with its positions coded, and no score is kept.
const { id } = demoPractice(new Date()).requests[0]!;

let browser: Browser;
let marit: DeskPage;
beforeAll(async () => {
  browser = await launch();
  marit = await openDeskOf(browser, base, 'marit', id);
});
beforeEach(async () => {
  for (let i = 0; i < 4; i++) await marit.page.keyboard.press('Escape');
});
afterAll(() => browser?.close());

const cuts = async () => Object.values((await marit.desk()).cuts).sort((a, b) => a.atFrame - b.atFrame);
const boutOnServer = () =>
  marit.page.evaluate(async (request) => (await (await fetch(`/api/requests/${request}/desk`)).json()).request.footages[0].bouts[0], id);
const frameNow = () => marit.page.$eval('[data-frame]', (stage) => Number(stage.getAttribute('data-frame')));

describe('coding positions', () => {
  it('by one key each while the video plays, Shift for the partner, on top of what was there; undone again', async () => {
    const { page, visit: sees } = marit;
    const before = (await boutOnServer()).spans.length as number;
    await marit.goTo(0.5);
    await page.keyboard.press('KeyG');
    await page.keyboard.press('Space');
    await page.waitForFunction(
      (from) => Number(document.querySelector('[data-frame]')!.getAttribute('data-frame')) > from + 10,
      {},
      await frameNow(),
    );
    await page.keyboard.down('Shift');
    await page.keyboard.press('KeyU');
    await page.keyboard.up('Shift');
    await page.keyboard.press('Space');
    await sees.sees('Client’s half guard');
    const all = await marit.until(cuts, (list) => list.length === before + 1);
    expect(all.filter(({ position }) => position === 'half-guard')).toMatchObject([{ holder: 'partner' }]);
    // The bout itself follows, for lists and history.
    await marit.until(boutOnServer, (bout) => bout.spans.length === before + 1);
    await marit.withControl('KeyZ');
    await marit.until(boutOnServer, (bout) => bout.spans.length === before);
    await marit.withControl('KeyY');
    await marit.until(boutOnServer, (bout) => bout.spans.length === before + 1);
  });

  it('and not past the end of the bout, which is said and may be moved on', async () => {
    const { page, visit: sees } = marit;
    const bout = await boutOnServer();
    const before = (await cuts()).length;
    await marit.goTo(0.985);
    const frame = await frameNow();
    expect(frame).toBeGreaterThan(bout.toFrame);
    await page.keyboard.press('KeyG');
    await page.keyboard.press('KeyU');
    await sees.sees(/This bout ends after 1:2\d: nothing later is coded\./);
    expect((await cuts()).length).toBe(before);
    await sees.press('button', 'It goes on');
    const longer = await marit.until(boutOnServer, ({ toFrame }) => toFrame > bout.toFrame);
    await expect.poll(async () => (await page.keyboard.press('KeyU'), (await cuts()).at(-1)?.atFrame), { timeout: 180_000 }).toBe(frame);
    await marit.withControl('KeyZ');
    await marit.until(cuts, (all) => all.length === before);
    // As long as it was, for the other tests.
    const edits = [{ id: bout.id, base: longer.version, splitFrom: null, after: boutFields.parse(bout) }];
    const { footageId } = Object.values((await marit.desk()).cuts)[0]!;
    expect((await askAs(page, 'POST', `/api/footages/${footageId}/bouts`, { edits })).status).toBe(200);
    await marit.reload();
  });

  it('by name, with attacks and postures, at full speed over the whole round, nothing that was pressed is lost, and all of it is taken back', async () => {
    const { page } = marit;
    const calledSo = ({ cuts: all, events, threats }: Awaited<ReturnType<typeof marit.desk>>): string[] =>
      [...Object.values(all), ...Object.values(events), ...Object.values(threats)].flatMap(({ name }) => name ?? []);
    const press = async (...codes: string[]): Promise<void> => {
      for (const code of codes) {
        const [shift, key] = code.startsWith('+') ? [true, code.slice(1)] : [false, code];
        if (shift) await page.keyboard.down('Shift');
        await page.keyboard.press(key as KeyInput);
        if (shift) await page.keyboard.up('Shift');
        await new Promise((resolve) => setTimeout(resolve, 60));
      }
    };
    // Six stretches of the round, each coded while it plays: a guard by name, from the knees, an attempt by name, an attack that gets tight.
    for (let k = 0; k < 6; k++) {
      await marit.goTo(0.05 + 0.15 * k);
      await press('KeyG', 'Space', ...(k % 2 ? ['+KeyU'] : ['KeyU']), 'Enter', 'KeyL', 'KeyO', 'Digit0', 'KeyK');
      await press(
        'Comma',
        'KeyP',
        'KeyK',
        'KeyC',
        'Digit2',
        '+Digit9',
        'Enter',
        'KeyG',
        'KeyU',
        '+Backslash',
        '+Digit9',
        'Digit2',
        'Space',
      );
      await press('Escape');
    }
    const after = await marit.until(marit.desk, (desk) => Object.keys(desk.threats).length >= 6);
    const named = <T extends { name?: string }>(shelf: Record<string, T>, name: string): T[] =>
      Object.values(shelf).filter((one) => one.name === name);
    expect(named(after.events, 'Knee cut')).toHaveLength(6);
    expect(named(after.threats, 'Guillotine').every((one) => one.lockedFrame !== null && one.toFrame !== null)).toBe(true);
    expect(named(after.threats, 'Guillotine')).toHaveLength(6);
    const lockdowns = named(after.cuts, 'Lockdown').filter(({ posture }) => posture?.top === 'knees');
    expect(lockdowns).toHaveLength(6);
    expect(marit.visit.faults).toEqual([]);
    await page.waitForSelector('[data-threat="partner"]');
    for (let i = 0; i < 46; i++) await marit.withControl('KeyZ');
    for (let i = 0; i < 30 && calledSo(await marit.desk()).length > 0; i++) await marit.withControl('KeyZ');
    await marit.until(marit.desk, (desk) => calledSo(desk).length === 0 && Object.keys(desk.threats).length === 0);
    // The first stretch was put before it was named.
    await marit.withControl('KeyZ');
  });

  it('by dragging an edge on the sheet', async () => {
    const { page } = marit;
    await page.keyboard.press('KeyG');
    const edge = (await page.waitForSelector('[data-edge]'))!;
    const from = Number(await edge.evaluate((line) => line.getAttribute('data-edge')));
    const box = (await edge.boundingBox())!;
    await page.mouse.move(box.x + 20, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + 20, box.y + box.height / 2 + 12, { steps: 4 });
    await page.mouse.up();
    const moved = await marit.until(cuts, (list) => !list.some(({ atFrame }) => atFrame === from));
    expect(moved.some(({ atFrame }) => atFrame > from && atFrame < from + 90)).toBe(true);
  });

  it('and attempts by what it was and how it went', async () => {
    const { page, visit: sees } = marit;
    await marit.goTo(0.3);
    await page.keyboard.press('KeyG');
    const frame = await frameNow();
    await page.keyboard.press('Comma');
    await sees.sees('An attempt at what?');
    await page.keyboard.press('KeyD');
    await page.keyboard.down('Shift');
    await page.keyboard.press('KeyR');
    await page.keyboard.up('Shift');
    await sees.sees(/The partner’s sweep/);
    await page.keyboard.press('Digit3');
    const event = await marit.until(
      async () => Object.values((await marit.desk()).events).find(({ atFrame }) => atFrame === frame),
      (found) => found !== undefined,
    );
    expect(event).toMatchObject({ kind: 'attempt', athlete: 'partner', technique: 'sweep', outcome: 'failed', close: true });
  });
});

describe('a restart by key', () => {
  it('names a position that is seen, changed and left out, and never stands over what is coded', async () => {
    const { page, visit: sees } = marit;
    const clockEvents = async () =>
      Object.values((await marit.desk()).events)
        .filter(({ kind }) => kind === 'stoppage' || kind === 'restart')
        .sort((a, b) => a.atFrame - b.atFrame);
    const shows = (label: string, value: string) =>
      page.waitForFunction(
        (l, v) => document.querySelector<HTMLElement>(`[role=combobox][aria-label="${l}"]`)?.dataset['value'] === v,
        {},
        label,
        value,
      );
    const cutsBefore = (await cuts()).length;
    await marit.goTo(0.7);
    await page.keyboard.press('KeyG');
    await page.keyboard.press('Slash');
    for (let i = 0; i < 3; i++) await page.keyboard.press('KeyD');
    const frame = await frameNow();
    await page.keyboard.press('Slash');
    const [stop, restart] = await marit.until(clockEvents, (all) => all.length === 2);
    expect([stop!.kind, restart!.kind, restart!.position !== null]).toEqual(['stoppage', 'restart', true]);
    await page.keyboard.press('Digit1');
    await marit.until(cuts, (all) => all.some((cut) => cut.atFrame === frame && cut.position === 'standing'));
    await page.keyboard.press('Escape');
    await page.keyboard.press('KeyH');
    await sees.press('tab', /Would that score/);
    await sees.sees(/Standing, \d+\.\d s \(put there by the referee\)/);
    await sees.press('tab', 'Coding');
    await shows('Goes on in', restart!.position!);
    await sees.choose('Goes on in', 'Turtle');
    await marit.until(clockEvents, (all) => all[1]!.position === 'turtle' && all[1]!.holder !== null);
    await sees.choose('Goes on in', 'as it is coded there');
    await marit.until(clockEvents, (all) => all[1]!.position === null && all[1]!.holder === null);
    await page.keyboard.press('Escape');
    for (let i = 0; i < 5; i++) await marit.withControl('KeyZ');
    await marit.until(clockEvents, (all) => all.length === 0);
    await marit.until(cuts, (all) => all.length === cutsBefore);
  });
});

describe('the score', () => {
  it('is there at once when another sheet is chosen, with its reasons, and the coach may say otherwise', async () => {
    const { page, visit: sees } = marit;
    // The client in his closed guard, before her first tap.
    await marit.goTo(0.54);
    await page.keyboard.press('KeyH');
    await sees.sees('This sheet decides nothing.');
    await sees.choose('Rule sheet', 'Points, no jacket');
    await sees.sees('Partner finished more often.');
    await sees.sees(/^0 : 2 in taps/m);
    await sees.sees(/passed the guard at 0:2\d/);
    const now = await page.$eval('[aria-label="Score now"]', (line) => line.textContent ?? '');
    expect(now).toMatch(/^0 : \d+/);
    await sees.press('button', 'I would not');
    await page.waitForSelector('[data-corrected]');
    await marit.until(
      async () => Object.values((await marit.desk()).overrides),
      (all) => all.length === 1,
    );
    await marit.until(boutOnServer, (bout) => bout.ruleSheet === 'points-no-jacket');
    await sees.press('tab', /Would that score/);
    await sees.sees(/’s [a-z ]*guard, \d+\.\d s/);
  });

  it('stands at each note, with what hung on the next one', async () => {
    const { page, visit: sees } = marit;
    await page.evaluate(() => [...document.querySelectorAll<HTMLElement>('ol[aria-label=Notes] button')][0]!.click());
    await sees.sees(/with \d+( \(\d+\))? : \d+/);
  });
});

describe('two coders', () => {
  it('code apart; the coach sees how far they agree and takes one', async () => {
    const jonas = await openDeskOf(browser, base, 'jonas', id);
    await jonas.goTo(0.6);
    await jonas.page.keyboard.press('KeyG');
    await jonas.page.keyboard.press('KeyN');
    const codings = async () => Object.values((await marit.desk()).codings);
    await marit.until(codings, (all) => all.length === 2);
    await jonas.page.keyboard.press('Escape');
    await jonas.page.keyboard.press('KeyH');
    await jonas.visit.press('tab', /Coding/);
    await jonas.visit.press('button', 'Offer it to the coach');
    await marit.page.keyboard.press('KeyH');
    await marit.visit.press('tab', /Coding/);
    await marit.visit.sees(/agrees \d+ % of the time, κ 0\.\d\d/);
    await marit.visit.press('button', 'Take this one');
    await marit.until(codings, (all) => all.find(({ state }) => state === 'accepted')?.coderName.startsWith('Jonas') ?? false);
    await marit.until(boutOnServer, (bout) => bout.spans.some((span: { position: string }) => span.position === 'truck'));
    await jonas.page.close();
  });

  it('may bring a coding as a file, which is refused with its place where it is not right', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'lean-e2e-bout-'));
    try {
      const { page, visit: sees } = marit;
      await page.keyboard.press('KeyH');
      await sees.press('tab', /Coding/);
      // What would be put among the downloads.
      const saved = page.evaluate(
        () =>
          new Promise<string>((resolve) => {
            const real = URL.createObjectURL.bind(URL);
            URL.createObjectURL = (file) => {
              void (file as Blob).text().then(resolve);
              return real(file);
            };
          }),
      );
      await sees.press('button', 'Spans as CSV');
      const csv = await saved;
      expect(csv).toContain('truck');
      await writeFile(join(folder, 'mine.spans.csv'), csv.replace('truck', 'crucifix'));
      await writeFile(join(folder, 'bad.spans.csv'), csv.replace('truck', 'track'));
      const input = (await page.waitForSelector('[aria-label="Score and numbers"] input[type=file]')) as ElementHandle<HTMLInputElement>;
      await input.uploadFile(join(folder, 'bad.spans.csv'));
      await sees.sees(/spans\[\d+\]\.position "track" is not right/);
      await input.uploadFile(join(folder, 'mine.spans.csv'));
      await marit.until(boutOnServer, (bout) => bout.spans.some((span: { position: string }) => span.position === 'crucifix'));
      const span = (position: string, holder: string | null, fromSeconds: number, toSeconds: number) => ({
        position,
        holder,
        fromSeconds,
        toSeconds,
      });
      const round = {
        format: 'lean-mentor/bout@1',
        lengthSeconds: 48.6,
        clockSeconds: 240,
        afterFinish: 'restarts',
        ruleSheet: 'points-jacket',
        valuePreset: 'top-first',
        spans: [span('standing', null, 0, 10), span('mount', 'client', 10, 20), span('standing', null, 20, 48.6)],
        events: [{ kind: 'finish', athlete: 'client', technique: 'armlock', atSeconds: 19 }],
      };
      await writeFile(join(folder, 'round.bout.json'), JSON.stringify(round));
      await input.uploadFile(join(folder, 'round.bout.json'));
      await sees.sees(/It was told by “Top first.*”; here it is seen by what positions are worth in this practice/);
      await marit.until(boutOnServer, ({ lengthSeconds, ruleSheet }) => lengthSeconds === 240 && ruleSheet === 'points-jacket');
      await sees.press('tab', /^Score/);
      await sees.sees('1 : 0 in taps');
      await sees.sees('Armlock. Client took down, mounted.');
      await page.waitForSelector('[data-tap=client]');
      expect(marit.visit.faults).toEqual([]);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
});

describe('rule sheets', () => {
  it('are copied, told where they contradict themselves, kept by version, and offered on the desk', async () => {
    const at = await visit(browser, base, 'marit', '/rule-sheets', laptop);
    await at.press('button', 'Copy it');
    const hold = await at.page.waitForSelector('::-p-aria([name="hold, in seconds"])');
    await at.page.locator('::-p-aria([name="near points"][role="checkbox"])').click();
    await at.sees('near points are given, but never compared');
    await at.page.locator('::-p-aria([name="near points"][role="checkbox"])').click();
    await hold!.click({ count: 3 });
    await at.page.keyboard.type('2');
    await at.press('button', 'Keep as version 1');
    await at.sees('Points, jacket, own is kept as version 1.');
    await at.page.waitForSelector('button[aria-current=true]');
    await at.fill('Technique', 'slam').catch(() => undefined);
    const chosen = await at.page.evaluate(
      async () => ((await (await fetch('/api/rule-sheets')).json()).sheets as { sheet: { holdSeconds: number } }[])[0]!.sheet.holdSeconds,
    );
    expect(chosen).toBe(2);
    await at.page.close();
    await marit.reload();
    await marit.page.keyboard.press('KeyH');
    await marit.visit.choose('Rule sheet', 'Points, jacket, own, version 1');
  });
});
