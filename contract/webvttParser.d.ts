/** The parts of the parser that are used here; it ships without types, and as a module whose names Node does not see. */
declare module 'webvtt-parser' {
  interface Parser {
    parse(
      input: string,
      mode?: 'metadata' | 'chapters',
    ): { cues: { startTime: number; endTime: number; text: string }[]; errors: { message: string; line: number }[] };
  }
  const names: { WebVTTParser: new () => Parser };
  export default names;
}
