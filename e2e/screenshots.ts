import { mkdir } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { demoPractice } from '@lean-mentor/demo';
import { laptop, launch, phone, settledFrame, visit, type Visit } from './visit.ts';

const base = process.env['LEAN_E2E_URL']!;
const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const { requests } = demoPractice(new Date());
const ilse = requests.find((r) => r.document && !r.critique)!;
const bram = requests.find((r) => r.critique)!;

await mkdir(folder, { recursive: true });
const browser = await launch();
try {
  const marit = await visit(browser, base, 'marit', '/today', laptop);
  await marit.page.waitForFunction(
    async () => {
      const { requests } = (await (await fetch('/api/requests')).json()) as { requests: { footage: { state: string } }[] };
      return requests.every((request) => request.footage.state === 'ready');
    },
    { timeout: 300_000, polling: 1000 },
  );
  const shoot = async ({ page }: Visit, name: string, path: string, words: string): Promise<void> => {
    await page.goto(base + path, { waitUntil: 'networkidle2' });
    await page.waitForFunction((w) => document.body.innerText.includes(w), { timeout: 30_000 }, words);
    if (name.startsWith('desk')) {
      // The second note of Ilse's: a mistake with both drawings on it.
      for (let stop = 0; stop < 3; stop++) {
        await page.keyboard.press('KeyX');
        await settledFrame(page);
      }
    }
    await page.evaluate(async () => {
      await Promise.all([...document.images].map((image) => image.decode().catch(() => undefined)));
      await document.fonts.ready;
    });
    await page.screenshot({ path: `${folder}${name}.png` });
  };
  await shoot(marit, 'today', '/today', ilse.question);
  await shoot(marit, 'desk', `/requests/${ilse.id}/desk`, 'Choose the fixes');
  await shoot(marit, 'wrap-up', `/requests/${ilse.id}/wrap-up`, 'The critique ends here');
  await shoot(marit, 'critique', `/critiques/${bram.critique!.id}`, 'Your sweep is clean');
  await shoot(marit, 'client', `/clients/${bram.clientId}`, bram.question);
  const client = await visit(browser, base, 'bram', '/mine', phone);
  await shoot(client, 'my-critiques-phone', '/mine', bram.question);
  await shoot(client, 'critique-phone', `/critiques/${bram.critique!.id}`, 'Your sweep is clean');
  await shoot(client, 'send-footage-phone', '/send', 'What do you want to know?');
} finally {
  await browser.close();
}
