import type { Caption } from '@lean-mentor/core/takes';
import { execa } from 'execa';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import webvtt from 'webvtt-parser';
import { environmentOfOthers } from '../config/config.ts';
import { MediaFault } from './mediaFault.ts';

/** Longest it may take, in seconds. */
const timeoutSeconds = 4 * 3600;

/**
 * Has a recogniser of the house's own (LEAN_RECOGNISER) write down what it hears: a command line, split at spaces, in which {voice} stands
 * for a WAV file (16 kHz, one channel) and {words} for the WebVTT file it has to write. What it heard is unproven, and marked so. A
 * MediaFault where what it wrote is no WebVTT.
 */
export async function recognise(command: string, voice: string, folder: string): Promise<Caption[]> {
  const words = join(folder, 'heard.vtt');
  const [program = '', ...args] = command.split(/\s+/).map((part) => part.replaceAll('{voice}', voice).replaceAll('{words}', words));
  await execa(program, args, {
    ...{ cwd: folder, extendEnv: false, env: environmentOfOthers(), stdio: 'ignore' },
    timeout: timeoutSeconds * 1000,
    forceKillAfterDelay: 2000,
  });
  const { cues, errors } = new webvtt.WebVTTParser().parse(await readFile(words, 'utf8'), 'metadata');
  if (cues.length === 0 && errors.length > 0) throw new MediaFault('What the recogniser wrote is no WebVTT. Tell whoever set it up.');
  return cues.flatMap(({ startTime, endTime, text }): Caption[] => {
    const said = text
      .replace(/<[^>]*>/g, '')
      .replace(/\s+/g, ' ')
      .trim();
    return said !== '' && endTime > startTime ? [{ from: startTime, to: endTime, words: said.slice(0, 1000), origin: 'heard' }] : [];
  });
}
