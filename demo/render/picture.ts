import { athleteMesh } from '../figure/mesh.ts';
import type { ClipPlan } from '../timeline/clipPlan.ts';
import { groundTruthOf, pairAtFrame, timelineOf, type GroundTruth, type Timeline } from '../timeline/groundTruth.ts';
import { pictureHeight, pictureWidth, type View } from './camera.ts';
import { layFigures, paintBehind } from './compose.ts';
import { paintHall, type Hall } from './hall.ts';
import { faultAt, handAt } from './hand.ts';
import { FigureBuffer } from './rasterise.ts';
import { FloorShadow } from './shadow.ts';

/** Draws the frames of one clip. Any frame may be asked for in any order; the same frame is always the same bytes. */
export class ClipPainter {
  private readonly figures = new FigureBuffer();
  private readonly shadow = new FloorShadow();

  private constructor(
    private readonly plan: ClipPlan,
    readonly truth: GroundTruth,
    private readonly timeline: Timeline,
    private readonly hall: Hall,
    private readonly lowness: Float32Array,
  ) {}

  static async of(plan: ClipPlan): Promise<ClipPainter> {
    const truth = groundTruthOf(plan);
    const timeline = timelineOf(plan);
    // The hand follows late: lowness is the mean over the second and a half before and after.
    const raw = Array.from({ length: truth.frameCount }, (_, frame) => {
      const { A, B } = pairAtFrame(plan, timeline, frame);
      const top = Math.max(A.joints.head[2], B.joints.head[2]);
      return Math.min(1, Math.max(0, (1.62 - top) / 0.55));
    });
    const reach = Math.round(plan.fps * 1.5);
    const lowness = Float32Array.from(raw, (_, i) => {
      const around = raw.slice(Math.max(0, i - reach), i + reach + 1);
      return around.reduce((sum, v) => sum + v, 0) / around.length;
    });
    return new ClipPainter(plan, truth, timeline, await paintHall(plan.hall), lowness);
  }

  viewAt(frame: number): View {
    const pair = pairAtFrame(this.plan, this.timeline, frame);
    return handAt(this.plan, this.truth, pair, this.lowness[frame] ?? 0, frame / this.plan.fps);
  }

  /** RGB bytes of a frame, `pictureWidth` × `pictureHeight`. */
  paint(frame: number): Uint8Array {
    const pair = pairAtFrame(this.plan, this.timeline, frame);
    const view = this.viewAt(frame);
    const meshes = [athleteMesh(pair.A, this.plan.client.outfit), athleteMesh(pair.B, this.plan.partner.outfit)];
    const out = new Uint8Array(pictureWidth * pictureHeight * 3);
    this.shadow.build(meshes);
    paintBehind(out, this.hall, this.shadow, view);
    this.figures.clear();
    for (const mesh of meshes) this.figures.draw(mesh, view);
    layFigures(out, this.figures);
    const seconds = frame / this.plan.fps;
    const dark = faultAt(this.truth, 'dark', seconds);
    if (dark > 0) for (let i = 0; i < out.length; i++) out[i] = out[i]! * (1 - 0.68 * dark);
    const blur = faultAt(this.truth, 'blur', seconds);
    return blur > 0.05 ? boxBlur(out, Math.round(1 + 6 * blur)) : out;
  }
}

/** Focus lost: two box blurs, across then down, `radius` pixels. */
function boxBlur(picture: Uint8Array, radius: number): Uint8Array {
  const pass = (from: Uint8Array, step: number, line: number, lines: number, length: number): Uint8Array => {
    const out = new Uint8Array(from.length);
    for (let l = 0; l < lines; l++)
      for (let k = 0; k < 3; k++) {
        const at = (i: number): number => l * line * 3 + Math.min(length - 1, Math.max(0, i)) * step * 3 + k;
        let sum = 0;
        for (let i = -radius; i <= radius; i++) sum += from[at(i)]!;
        for (let i = 0; i < length; i++) {
          out[at(i)] = sum / (2 * radius + 1);
          sum += from[at(i + radius + 1)]! - from[at(i - radius)]!;
        }
      }
    return out;
  };
  const across = pass(picture, 1, pictureWidth, pictureHeight, pictureWidth);
  return pass(across, pictureWidth, 1, pictureWidth, pictureHeight);
}
