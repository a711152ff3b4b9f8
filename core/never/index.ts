/**
 * Ends a switch over all kinds of something: a kind that was added and is not looked at there does not compile. One that comes all the
 * same, from an older or newer part of the program, stops what is being done rather than pass for something else.
 */
export function assertNever(kind: never): never {
  throw new Error(`Nothing is known of the kind ${JSON.stringify(kind)}.`);
}
