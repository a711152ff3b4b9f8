/** The parts of the parser that tests use; it ships without types. */
declare module 'webvtt-parser' {
  export class WebVTTParser {
    parse(
      input: string,
      mode?: 'metadata' | 'chapters',
    ): { cues: { startTime: number; endTime: number; text: string }[]; errors: { message: string; line: number }[] };
  }
}
