import { frameAtSeconds, seekSecondsOfFrame, timeSlack, type FrameTable } from '@lean-mentor/core/footage';
import { EncodedPacketSink, Input, MP4, UrlSource, type EncodedPacket } from 'mediabunny';

/** To the worker: which file, and then one frame after another to decode, with those of its group of pictures. */
export type DecodeAsk = { open: { address: string; table: FrameTable } } | { decode: number };

/** From the worker. Every picture must be closed by whoever takes it. */
export type DecodeAnswer =
  | { picture: VideoFrame; frame: number }
  /** A run is over: all of its group was sent, or it was given up for a later one. */
  | { ran: number }
  | { fault: string };

/** Beyond this many coded pictures in the decoder's queue the worker waits: what is asked for next must not stand in a line. */
const mostQueued = 6;

const scope = globalThis as unknown as {
  postMessage: (answer: DecodeAnswer, transfer?: Transferable[]) => void;
  onmessage: ((event: MessageEvent<DecodeAsk>) => void) | null;
};

let table: FrameTable = { times: [0], endSeconds: 1 };
let opened: Promise<{ sink: EncodedPacketSink; config: VideoDecoderConfig }> | null = null;
let decoder: VideoDecoder | null = null;
let wanted: number | null = null;
let running = false;

const fault = (error: unknown): void => scope.postMessage({ fault: error instanceof Error ? error.message : String(error) });

async function open(address: string): Promise<{ sink: EncodedPacketSink; config: VideoDecoderConfig }> {
  const input = new Input({ formats: [MP4], source: new UrlSource(address) });
  const track = await input.getPrimaryVideoTrack();
  const config = await track?.getDecoderConfig();
  if (!track || !config) throw new Error('The review copy has no picture that can be decoded here.');
  // Decoders of graphics cards lend out a few pictures and wait until they are given back; here hundreds are kept.
  const wished: VideoDecoderConfig = { ...config, optimizeForLatency: true, hardwareAcceleration: 'prefer-software' };
  const { supported } = await VideoDecoder.isConfigSupported(wished);
  if (!supported) throw new Error(`This browser does not decode ${config.codec}.`);
  return { sink: new EncodedPacketSink(track), config: wished };
}

const frameOf = (seconds: number): number => frameAtSeconds(table, seconds + timeSlack);

function freshDecoder(config: VideoDecoderConfig): VideoDecoder {
  if (decoder && decoder.state !== 'closed') return decoder;
  decoder = new VideoDecoder({
    output: (picture) => scope.postMessage({ picture, frame: frameOf(picture.timestamp / 1e6) }, [picture]),
    error: fault,
  });
  decoder.configure(config);
  return decoder;
}

const aBeat = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 1));

/** Decodes the group of pictures that `frame` is in, from its key picture on; leaves off when something else is wanted. */
async function decodeGroup(frame: number): Promise<void> {
  const { sink, config } = await opened!;
  const key = await sink.getKeyPacket(seekSecondsOfFrame(table, frame));
  if (!key) throw new Error(`There is no key picture before frame ${frame}.`);
  const group = freshDecoder(config);
  for (let packet: EncodedPacket | null = key; packet; packet = await sink.getNextPacket(packet)) {
    if (packet !== key && packet.type === 'key') break;
    group.decode(packet.toEncodedVideoChunk());
    while (group.decodeQueueSize > mostQueued) await aBeat();
    if (wanted !== null) {
      group.reset();
      group.configure(config);
      return;
    }
  }
  await group.flush();
}

async function run(): Promise<void> {
  if (running) return;
  running = true;
  while (wanted !== null) {
    const frame = wanted;
    wanted = null;
    try {
      await decodeGroup(frame);
      scope.postMessage({ ran: frame });
    } catch (error) {
      fault(error);
    }
  }
  running = false;
}

scope.onmessage = ({ data }) => {
  if ('open' in data) {
    table = data.open.table;
    opened = open(data.open.address);
    opened.catch(fault);
    return;
  }
  wanted = data.decode;
  void run();
};
