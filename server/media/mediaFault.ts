/** Footage that cannot be used, in one sentence for the client: what is wrong and what to do. Trying again does not help. */
export class MediaFault extends Error {}
