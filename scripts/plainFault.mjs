/** A failure the person at the terminal can act on: one sentence, no stack. */
export class PlainFault extends Error {}

/** Ends a script: plain faults as their sentence, anything else with its stack. */
export function reportFault(error) {
  console.error(error instanceof PlainFault ? error.message : error);
  process.exitCode = 1;
}
