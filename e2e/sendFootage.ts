import type { ElementHandle } from 'puppeteer-core';
import type { Visit } from './visit.ts';

/** Chooses a file where the page asks for one. */
export async function choose({ page }: Visit, file: string): Promise<void> {
  const input = await page.waitForSelector('input[type=file]');
  await (input as ElementHandle<HTMLInputElement>).uploadFile(file);
}

/** What a client answers on the way. */
export interface Answers {
  file: string;
  you: string;
  partner: string;
  kind: string;
  attire: string;
  question: string;
}

/** Goes through all steps of sending, from the first page of it to the last; does not press Send yet. */
export async function answerAllSteps(
  client: Visit,
  { file, you, partner, kind, attire, question }: Answers,
  onStep: (heading: string) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  await choose(client, file);
  const on = async (heading: string): Promise<void> => {
    const there = () => client.page.evaluate((words) => document.querySelector('h1')?.textContent === words, heading);
    await client.pressUntil('Go on', there);
    await onStep(heading);
  };
  await client.sees('1 of 7');
  await on('Who is who');
  await client.fill('You', you);
  await client.fill('Your partner', partner);
  await on('What it was');
  await client.press('radio', kind);
  await client.press('radio', attire);
  await on('What you want to know');
  await client.fill('What do you want to know?', question);
  await on('What hurts');
  await on('Your partner’s yes');
  await client.press('radio', /They agree/);
  await on('Check and send');
}
