import { barcodePoints, readBarcode } from '@lean-mentor/demo/barcode';
import { demoPassword } from '@lean-mentor/demo';
import puppeteer, { type Browser, type CookieData, type ElementHandle, type Page } from 'puppeteer-core';

/**
 * Chromium without its own windows and menus, which take more than half of the processor time of opening a page. By its own path: the
 * script in /usr/bin stays in front of it, and whoever kills the browser would kill that.
 */
const browserPath = '/usr/lib/chromium/chromium-headless-shell';

/**
 * A browser that talks to loopback only; with a folder, its profile is kept there; with a WAV file, that is what its microphone hears;
 * `anyCertificate` where nobody vouches for a name.
 */
export const launch = (profile?: string, heard?: string, anyCertificate = false): Promise<Browser> =>
  puppeteer.launch({
    ...(profile !== undefined && { userDataDir: profile }),
    executablePath: browserPath,
    acceptInsecureCerts: anyCertificate,
    headless: 'shell',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--mute-audio',
      // A microphone that beeps, and nobody to be asked whether it may be used.
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      ...(heard === undefined ? [] : [`--use-file-for-fake-audio-capture=${heard}`]),
    ],
  });

const sessionCookie = 'lean.sid';
/** Somebody of the demo by their first name, or with an address and a password of their own. */
export type Who = string | { email: string; password: string };
const credentials = (who: Who): { email: string; password: string } =>
  typeof who === 'string' ? { email: `${who}@skerrow.example`, password: demoPassword } : who;

/** Signs in as the page does, without waiting for one; answers the cookies of the session. */
async function signIn(base: string, who: Who): Promise<CookieData[]> {
  const cookiesOf = (answer: Response) => answer.headers.getSetCookie().map((cookie) => cookie.split(';')[0]!);
  const asked = await fetch(`${base}/api/session`);
  const { token } = (await asked.json()) as { token: string };
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-lean-token': token, cookie: cookiesOf(asked).join('; ') },
    body: JSON.stringify(credentials(who)),
  });
  if (!answer.ok) throw new Error(`${credentials(who).email} cannot sign in: ${answer.status} ${await answer.text()}`);
  return cookiesOf(answer).map((cookie) => {
    const [name, value] = [cookie.slice(0, cookie.indexOf('=')), cookie.slice(cookie.indexOf('=') + 1)];
    return { name, value, domain: new URL(base).hostname };
  });
}

/** One person at one screen. */
export interface Visit {
  page: Page;
  /** Errors of the page and refusals of the content policy, which no test may leave behind. */
  faults: string[];
  /** Waits for an element with this role and name, and presses it. */
  press: (role: string, name: string | RegExp) => Promise<void>;
  /**
   * Presses a button until the page has moved on: a press is lost where the page moves under the pointer just then, and a person presses
   * again.
   */
  pressUntil: (name: string | RegExp, moved: () => Promise<boolean>) => Promise<void>;
  fill: (label: string, text: string) => Promise<void>;
  /** Opens a list by its name and chooses the first line that reads so; answers the line. */
  choose: (list: string, words: string | RegExp) => Promise<string>;
  /** Waits until the page shows these words. */
  sees: (words: string | RegExp, withinMs?: number) => Promise<void>;
  shows: () => Promise<string>;
}

export const phone = { width: 390, height: 844, deviceScaleFactor: 1, isMobile: true, hasTouch: true };
export const laptop = { width: 1280, height: 800, deviceScaleFactor: 1 };

/** Scrolls what something else lies over (the ways at the bottom of a phone, a step’s own way back) to where a thumb would have it. */
const uncovered = (found: ElementHandle): Promise<void> =>
  found.evaluate((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    const shown = document.elementFromPoint(left + width / 2, top + height / 2);
    if (shown && !shown.contains(element) && !element.contains(shown)) element.scrollIntoView({ block: 'center' });
  });

/**
 * Opens the app at `path`, signed in, in a browser context of its own; with `sameProfile` in the browser's own;
 * with `byHand` through the form, as a person does.
 */
export async function visit(
  browser: Browser,
  base: string,
  who: Who,
  path: string,
  screen: typeof phone | typeof laptop,
  { sameProfile = false, byHand = false } = {},
): Promise<Visit> {
  const context = sameProfile ? browser.defaultBrowserContext() : await browser.createBrowserContext();
  const page = await context.newPage();
  page.setDefaultTimeout(180_000);
  await page.setViewport(screen);
  const faults: string[] = [];
  page.on('pageerror', (error) => faults.push(String(error)));
  page.on('console', (message) => {
    // A refused sign-in and a file that is not there yet are told by the app itself.
    if (message.type() === 'error' && !/the server responded with a status of (401|404|409)/.test(message.text()))
      faults.push(message.text());
  });
  const selectors: Record<string, string> = { link: 'a', button: 'button' };
  /** By its whole accessible name, or by a part of the words it shows. */
  const press = async (role: string, name: string | RegExp): Promise<void> => {
    if (typeof name === 'string') {
      const wanted = page.locator(`::-p-aria([name="${name}"][role="${role}"])`).setTimeout(180_000);
      await uncovered(await wanted.waitHandle());
      return wanted.click();
    }
    const found = await page.waitForFunction(
      (selector, source) =>
        [...document.querySelectorAll<HTMLElement>(selector)].find((element) => new RegExp(source).test(element.innerText)),
      { timeout: 180_000, polling: 100 },
      selectors[role] ?? `[role=${role}]`,
      name.source,
    );
    await uncovered(found as ElementHandle<HTMLElement>);
    await (found as ElementHandle<HTMLElement>).click();
  };
  const it: Visit = {
    page,
    faults,
    press,
    pressUntil: async (name, moved) => {
      for (let tries = 0; tries < 6; tries++) {
        await press('button', name).catch(() => undefined);
        for (let looks = 0; looks < 40; looks++) {
          if (await moved()) return;
          await new Promise((resolve) => setTimeout(resolve, 100));
        }
      }
      throw new Error(`“${String(name)}” leads nowhere, but:\n${await it.shows()}`);
    },
    fill: (label, text) => page.locator(`::-p-aria([name="${label}"][role="textbox"])`).fill(text),
    choose: async (list, words) => {
      await press('combobox', list);
      const source = typeof words === 'string' ? `^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$` : words.source;
      const line = await page.waitForFunction(
        (wanted) =>
          [...document.querySelectorAll<HTMLElement>('[role=option]:not([data-disabled])')].find((one) =>
            new RegExp(wanted).test(one.innerText),
          ),
        { timeout: 180_000, polling: 100 },
        source,
      );
      const read = await (line as ElementHandle<HTMLElement>).evaluate((one) => one.innerText);
      await (line as ElementHandle<HTMLElement>).click();
      await page.waitForFunction(() => !document.querySelector('[role=option]'), { timeout: 180_000 });
      return read;
    },
    shows: () => page.evaluate(() => document.body.innerText),
    sees: async (words, withinMs = 180_000) => {
      const [source, flags] = words instanceof RegExp ? [words.source, words.flags] : [words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), ''];
      await page
        .waitForFunction((s, f) => new RegExp(s, f).test(document.body.innerText), { timeout: withinMs, polling: 100 }, source, flags)
        .catch(async () => {
          throw new Error(`${credentials(who).email} does not see ${String(words)} within ${withinMs} ms, but:\n${await it.shows()}`);
        });
    },
  };
  if (byHand) {
    await page.goto(base + path);
    await page.waitForSelector('input[type=email]');
    const { email, password } = credentials(who);
    await page.type('input[type=email]', email);
    await page.type('input[type=password]', password);
    await it.press('button', 'Sign in');
    await page.waitForFunction(() => !document.querySelector('input[type=password]'), { timeout: 180_000 });
    return it;
  }
  // A profile that was used before may be signed in still.
  if (!sameProfile || !(await context.cookies()).some(({ name }) => name === sessionCookie))
    await context.setCookie(...(await signIn(base, who)));
  await page.goto(base + path);
  return it;
}

/** The number burnt into the picture that the desk's stage shows now, decoded or of the video; null when it cannot be read. */
export async function frameOnStage(page: Page): Promise<number | null> {
  const brightness = await page.evaluate((points) => {
    const video = document.querySelector('video')!;
    const state = document.querySelector('[data-stage-state]')!;
    const decoded = state.getAttribute('data-picture') === 'decoded' ? document.querySelector<HTMLCanvasElement>('[data-decoded]')! : null;
    const canvas = new OffscreenCanvas(decoded?.width ?? video.videoWidth, decoded?.height ?? video.videoHeight);
    const context = canvas.getContext('2d')!;
    context.drawImage(decoded ?? video, 0, 0);
    return points.map(({ x, y }) => context.getImageData(Math.floor(x * canvas.width), Math.floor(y * canvas.height), 1, 1).data[0]!);
  }, barcodePoints);
  return readBarcode(brightness);
}

/** The frame the desk says it is on, once its picture is that frame. */
export async function settledFrame(page: Page): Promise<number> {
  const stage = await page.waitForSelector('[data-frame][data-settled="true"]', { timeout: 180_000 });
  return Number(await stage!.evaluate((element) => element.getAttribute('data-frame')));
}

/** Waits for the desk, and for all of the footage on it. */
export async function wholeFootage(page: Page): Promise<void> {
  await page.waitForSelector('[data-stage]', { timeout: 200_000 });
  await page.waitForFunction(() => !document.querySelector('[data-so-far]'), { timeout: 200_000 });
}
