import type { Mesh } from '../figure/mesh.ts';
import type { Vec3 } from '../figure/vector.ts';
import { directionToEye, pictureHeight, pictureWidth, project, toPicture, type View } from './camera.ts';

/** Samples a side of each pixel (2 × 2 supersampling). */
export const samples = 2;
const width = pictureWidth * samples;
const height = pictureHeight * samples;

const keyLight: Vec3 = [-0.363, -0.571, 0.831 * 0.9];

/** Light on a vertex: ambient + hemisphere + key + fill, darkened toward the rim so that limbs part from one another. */
function lightAt(normal: Vec3, toEye: Vec3): number {
  const lambert = Math.max(0, normal[0] * keyLight[0] + normal[1] * keyLight[1] + normal[2] * keyLight[2]);
  const fill = Math.max(0, normal[0] * 0.6 - normal[1] * 0.5 + normal[2] * 0.2);
  const facing = Math.max(0, normal[0] * toEye[0] + normal[1] * toEye[1] + normal[2] * toEye[2]);
  const rim = 1 - facing;
  return (0.3 + 0.2 * (0.5 + 0.5 * normal[2]) + 0.52 * lambert + 0.12 * fill) * (1 - 0.42 * rim * rim * rim);
}

/** Supersampled colour and depth of the figures. Depth is Infinity where no figure is. */
export class FigureBuffer {
  readonly depth = new Float32Array(width * height).fill(Infinity);
  readonly rgb = new Uint8Array(width * height * 3);
  /** Rows and columns touched since `clear`, in samples: inclusive from, exclusive to. */
  box = { fromX: width, toX: 0, fromY: height, toY: 0 };

  clear(): void {
    const { fromX, toX, fromY, toY } = this.box;
    for (let y = fromY; y < toY; y++) this.depth.fill(Infinity, y * width + fromX, y * width + toX);
    this.box = { fromX: width, toX: 0, fromY: height, toY: 0 };
  }

  draw(mesh: Mesh, view: View): void {
    const count = mesh.positions.length / 3;
    const xs = new Float32Array(count);
    const ys = new Float32Array(count);
    const zs = new Float32Array(count);
    const lights = new Float32Array(count);
    for (let i = 0; i < count; i++) {
      const point: Vec3 = [mesh.positions[i * 3]!, mesh.positions[i * 3 + 1]!, mesh.positions[i * 3 + 2]!];
      const plane = project(point);
      const { x, y } = toPicture(view, plane);
      xs[i] = x * samples;
      ys[i] = y * samples;
      zs[i] = plane.depth;
      const normal: Vec3 = [mesh.normals[i * 3]!, mesh.normals[i * 3 + 1]!, mesh.normals[i * 3 + 2]!];
      lights[i] = lightAt(normal, directionToEye(point));
    }
    for (let t = 0; t < mesh.triangles.length; t += 3) {
      const [a, b, c] = [mesh.triangles[t]!, mesh.triangles[t + 1]!, mesh.triangles[t + 2]!];
      this.fill(
        xs[a]!,
        ys[a]!,
        zs[a]!,
        lights[a]!,
        xs[b]!,
        ys[b]!,
        zs[b]!,
        lights[b]!,
        xs[c]!,
        ys[c]!,
        zs[c]!,
        lights[c]!,
        mesh.colours[t]!,
        mesh.colours[t + 1]!,
        mesh.colours[t + 2]!,
      );
    }
  }

  private fill(
    ax: number,
    ay: number,
    az: number,
    al: number,
    bx: number,
    by: number,
    bz: number,
    bl: number,
    cx: number,
    cy: number,
    cz: number,
    cl: number,
    red: number,
    green: number,
    blue: number,
  ): void {
    const area = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    if (Math.abs(area) < 1e-6) return;
    const fromX = Math.max(0, Math.floor(Math.min(ax, bx, cx)));
    const toX = Math.min(width - 1, Math.ceil(Math.max(ax, bx, cx)));
    const fromY = Math.max(0, Math.floor(Math.min(ay, by, cy)));
    const toY = Math.min(height - 1, Math.ceil(Math.max(ay, by, cy)));
    if (fromX > toX || fromY > toY) return;
    const { box } = this;
    if (fromX < box.fromX) box.fromX = fromX;
    if (toX + 1 > box.toX) box.toX = toX + 1;
    if (fromY < box.fromY) box.fromY = fromY;
    if (toY + 1 > box.toY) box.toY = toY + 1;
    const inverse = 1 / area;
    const { depth, rgb } = this;
    for (let y = fromY; y <= toY; y++) {
      const py = y + 0.5;
      for (let x = fromX; x <= toX; x++) {
        const px = x + 0.5;
        const wb = ((px - ax) * (cy - ay) - (py - ay) * (cx - ax)) * inverse;
        const wc = ((bx - ax) * (py - ay) - (by - ay) * (px - ax)) * inverse;
        const wa = 1 - wb - wc;
        if (wa < 0 || wb < 0 || wc < 0) continue;
        const z = wa * az + wb * bz + wc * cz;
        const at = y * width + x;
        if (z >= depth[at]!) continue;
        depth[at] = z;
        const light = (wa * al + wb * bl + wc * cl) * 255;
        rgb[at * 3] = Math.min(255, red * light);
        rgb[at * 3 + 1] = Math.min(255, green * light);
        rgb[at * 3 + 2] = Math.min(255, blue * light);
      }
    }
  }
}
