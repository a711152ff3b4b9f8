import nodemailer from 'nodemailer';
import type { House } from '../../house/house.ts';
import { changeLetter, findLetter } from './repository.ts';
import { stopPage } from './stopping.ts';

/** A server that does not answer for so long, in ms, is tried again later. */
const patienceMs = 20_000;

/** Addresses of this house as they stand in a letter, from wherever it is read. */
const absolute = (body: string, url: string): string => body.replace(/(?<=^|\s)\/(?=[a-z]+\/)/gm, `${url}/`);

/**
 * Sends a letter by the mail server of the house; one that was sent is not sent again. On its way it is called by its own id, so that one
 * that went out twice, since this process died in between, is seen to be the same. A one-time link is forgotten here once it has left.
 */
export async function sendLetter(house: House, letterId: string): Promise<void> {
  const { mail, url } = house.config;
  const letter = await findLetter(house, letterId);
  if (!mail || !letter || letter.sentAt) return;
  const stop = letter.accountId ? `${url}${stopPage(house, letter.accountId)}` : null;
  const transport = nodemailer.createTransport({
    url: mail.server,
    connectionTimeout: patienceMs,
    greetingTimeout: patienceMs,
    socketTimeout: patienceMs,
    // Nothing of ours is read for a letter: no files, no addresses.
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  try {
    await transport.sendMail({
      from: mail.from,
      to: { name: letter.toName, address: letter.toAddress },
      subject: letter.subject,
      text: `${absolute(letter.body, url)}${letter.link ? `\n\n${url}${letter.link}` : ''}${stop ? `\n\n--\nNo more letters, only in the app: ${stop}` : ''}\n`,
      messageId: `<${letter.id}@${new URL(url).hostname}>`,
      // No machine answers a machine (RFC 3834).
      headers: { 'Auto-Submitted': 'auto-generated' },
      // Shown by mail programs as a way to unsubscribe (RFC 2369).
      ...(stop && { list: { unsubscribe: stop } }),
    });
  } finally {
    transport.close();
  }
  await changeLetter(house, letterId, { sentAt: house.now(), failure: null, link: null });
}
