import { mkdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { demoPractice } from '@lean-mentor/demo';
import { sendWithMoment } from './critiqueSteps.ts';
import { choose } from './sendFootage.ts';
import { laptop, launch, phone, settledFrame, visit, type Visit } from './visit.ts';
import { seekTake } from './takePlayer.ts';

const base = process.env['LEAN_E2E_URL']!;
const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const { requests, work } = demoPractice(new Date());
const ilse = requests.find((r) => r.document && !r.critique)!;
const bram = requests.find((r) => r.critique)!;

await mkdir(folder, { recursive: true });
const browser = await launch();
try {
  const marit = await visit(browser, base, 'marit', '/today', laptop);
  const allReady = (): Promise<boolean> =>
    marit.page.evaluate(async () => {
      const { requests } = (await (await fetch('/api/requests')).json()) as { requests: { footages: { state: string }[] }[] };
      return requests.every(({ footages }) => footages.every(({ state }) => state === 'ready' || state === 'removed'));
    });
  // Thirteen clips take some minutes.
  for (let tries = 0; tries < 600 && !(await allReady()); tries++) await new Promise((resolve) => setTimeout(resolve, 1000));
  const shoot = async ({ page }: Visit, name: string, path: string, words: string, keep = true): Promise<void> => {
    await page.goto(base + path, { waitUntil: 'networkidle2' });
    await page.waitForFunction((w) => document.body.innerText.includes(w), { timeout: 180_000 }, words);
    if (name.startsWith('desk')) {
      // The second note of Ilse's: a mistake with both drawings on it.
      for (let stop = 0; stop < 3; stop++) {
        await page.keyboard.press('KeyX');
        await settledFrame(page);
      }
    }
    // Small pictures of neighbour frames come a moment after the frame itself.
    if (name.startsWith('desk')) await new Promise((resolve) => setTimeout(resolve, 1500));
    await page.evaluate(async () => {
      await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
      await document.fonts.ready;
    });
    if (keep) await page.screenshot({ path: `${folder}${name}.png` });
  };
  /** Lets a take play from an instant for a moment. */
  const goTo = async ({ page }: Visit, seconds: number): Promise<void> => {
    await page.tap('[data-take-player] button[aria-label="Listen"]');
    await seekTake(page, seconds);
    await new Promise((resolve) => setTimeout(resolve, 1500));
  };
  await shoot(marit, 'today', '/today', ilse.question);
  await shoot(marit, 'desk', `/requests/${ilse.id}/desk`, 'Choose the fixes');
  // Noor's match: ahead, and about to leave mount.
  const noor = requests.find(({ question }) => question.startsWith('I was ahead'))!;
  await shoot(marit, 'noor', `/requests/${noor.id}/desk`, 'Choose the fixes', false);
  await settledFrame(marit.page);
  const sheet = (await (await marit.page.waitForSelector('[aria-label="Round sheet"]'))!.boundingBox())!;
  await marit.page.mouse.click(sheet.x + 110, sheet.y + sheet.height * 0.75);
  await settledFrame(marit.page);
  await marit.page.keyboard.press('KeyH');
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await marit.page.screenshot({ path: `${folder}desk-score.png` });
  // Every time she had mount, the worst end first.
  await marit.press('tab', /^Every time$/);
  await marit.page.waitForSelector('[data-entry] img');
  await new Promise((resolve) => setTimeout(resolve, 4000));
  await marit.page.screenshot({ path: `${folder}desk-every-time.png` });
  // A stretch by name, and an attack that gets tight, as they are coded.
  await marit.page.keyboard.press('Escape');
  const { keyboard: keys } = marit.page;
  for (const key of ['KeyG', 'Digit9', 'Enter', 'KeyA', 'KeyM'] as const) await keys.press(key);
  for (let step = 0; step < 90; step++) await keys.press('KeyD');
  await keys.press('Backslash');
  for (let step = 0; step < 150; step++) await keys.press('KeyD');
  for (const key of ['Digit9', 'Digit2', 'Enter', 'KeyH'] as const) await keys.press(key);
  await settledFrame(marit.page);
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await marit.page.screenshot({ path: `${folder}desk-palette.png` });
  await keys.press('Escape');
  await shoot(marit, 'ladder', `/requests/${ilse.id}/wrap-up`, 'The critique ends here');
  await shoot(marit, 'critique-editor', `/requests/${ilse.id}/critique`, 'What went well');
  await shoot(marit, 'book', '/book', 'Low in mount when they bridge', false);
  await marit.press('button', 'Low in mount when they bridge');
  await marit.sees('“Hands wide, chest low, knees up high.”');
  await marit.page.screenshot({ path: `${folder}book.png` });
  await shoot(marit, 'critique', `/critiques/${bram.critique!.id}`, 'Your sweep is clean');
  await shoot(marit, 'client', `/clients/${bram.clientId}`, bram.question);
  const client = await visit(browser, base, 'bram', '/mine', phone);
  await shoot(client, 'my-work-phone', '/work', 'Begin');
  await shoot(client, 'my-progress-phone', '/progress', 'Your right moments');
  await shoot(client, 'kept-phone', `/kept-of/${bram.clientId}`, 'Take everything along');
  await client.page.goto(`${base}/work/${bram.clientId}/${work.find(({ terms }) => terms.name.startsWith('Closed guard'))!.id}`);
  await client.press('button', /Start in 10 s/);
  await client.sees('Get ready');
  // A minute and a quarter later.
  await client.page.evaluate(() => {
    const key = Object.keys(localStorage).find((one) => one.includes('/doing/'))!;
    const doing = JSON.parse(localStorage.getItem(key)!);
    doing.timer.startedAt -= 75_000;
    localStorage.setItem(key, JSON.stringify(doing));
  });
  await client.page.reload();
  for (const end of [/^passed/, /^passed/, /^swept/]) await client.press('button', end);
  await new Promise((resolve) => setTimeout(resolve, 1000));
  await client.page.screenshot({ path: `${folder}timer-phone.png` });
  await client.press('button', /End here/);
  await client.press('button', /Drop it/);
  await client.press('button', 'Drop it');
  await marit.page.waitForFunction(
    async (request) => (await (await fetch(`/api/requests/${request}/takes`)).json())[0]?.state === 'ready',
    { timeout: 180_000, polling: 1000 },
    bram.id,
  );
  await shoot(client, 'critique-phone', `/critiques/${bram.critique!.id}`, 'Your sweep is clean');
  // Spoken over his round: in the middle of it, enlarged, with what is being drawn.
  await client.page.waitForSelector('[data-take-player] [data-heard]', { timeout: 180_000 });
  await goTo(client, 47);
  await client.page.screenshot({ path: `${folder}take-phone.png` });
  await client.page.goto(`${base}/send`);
  await choose(client, fileURLToPath(new URL('../demo/clips/noor-quay-open.mp4', import.meta.url)));
  await client.sees('1 of 7');
  await client.press('button', 'Go on');
  await client.page.waitForSelector('[data-picture] video');
  await client.page.waitForFunction(() => document.querySelector<HTMLVideoElement>('[data-picture] video')!.readyState >= 2);
  const picture = (await (await client.page.$('[data-picture]'))!.boundingBox())!;
  for (const [x, y] of [
    [0.37, 0.3],
    [0.62, 0.33],
  ] as const)
    await client.page.mouse.click(picture.x + picture.width * x, picture.y + picture.height * y);
  await client.sees('You are both marked.');
  await client.page.screenshot({ path: `${folder}send-footage-phone.png` });
  // A decision before a mistake, as the client is asked.
  await shoot(marit, 'fork', `/requests/${ilse.id}/desk`, 'Choose the fixes', false);
  const wrong = Object.values(ilse.document!.notes).find(({ kind }) => kind === 'mistake')!;
  await marit.press('button', new RegExp(wrong.what.slice(0, 24)));
  await marit.press('button', /^A decision before it/);
  await marit.page.waitForSelector(`[data-sheet-fork="${wrong.id}"]`);
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const sent = await sendWithMoment(marit.page, ilse.id, wrong.id);
  const her = await visit(browser, base, 'ilse', `/critiques/${String(sent.body['id'])}`, phone);
  await her.page.waitForSelector('[data-fork]');
  await her.page.evaluate(() => document.querySelector('[data-fork]')!.scrollIntoView({ block: 'center' }));
  await her.page.waitForSelector('[data-stands="true"]', { timeout: 180_000 });
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await her.page.screenshot({ path: `${folder}fork-phone.png` });
  // Last, since what is spoken stays on the desk.
  await shoot(marit, 'speaking', `/requests/${ilse.id}/desk`, 'Choose the fixes', false);
  await settledFrame(marit.page);
  const { keyboard } = marit.page;
  await keyboard.press('Escape');
  for (let stop = 0; stop < 3; stop++) await keyboard.press('KeyX');
  await settledFrame(marit.page);
  await keyboard.press('KeyR');
  await marit.sees('Everything on the desk works while you speak');
  await keyboard.press('KeyR');
  await marit.page.waitForSelector('[data-speaking="speaking"]', { timeout: 180_000 });
  await keyboard.press('KeyF');
  await new Promise((resolve) => setTimeout(resolve, 4000));
  await marit.page.screenshot({ path: `${folder}desk-speaking.png` });
} finally {
  await browser.close();
}
