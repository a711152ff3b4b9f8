import type { Mesh } from '../figure/mesh.ts';

const cells = 256;
const sizeMetres = 4.2;

/** How dark the floor is under bodies: an overhead map of the lowest body height, blurred. 0 lit … 1 dark. */
export class FloorShadow {
  private map = new Float32Array(cells * cells);
  private scratch = new Float32Array(cells * cells);

  /** Rebuilds the map from the bodies' vertices; a vertex darkens less the higher it is, down to nothing at 1.1 m. */
  build(meshes: Mesh[]): void {
    this.map.fill(0);
    for (const { positions } of meshes)
      for (let i = 0; i < positions.length; i += 3) {
        const cx = Math.floor((positions[i]! / sizeMetres + 0.5) * cells);
        const cy = Math.floor((positions[i + 1]! / sizeMetres + 0.5) * cells);
        const dark = 1 - positions[i + 2]! / 1.1;
        if (dark <= 0) continue;
        for (let y = cy - 2; y <= cy + 2; y++)
          for (let x = cx - 2; x <= cx + 2; x++)
            if (x >= 0 && y >= 0 && x < cells && y < cells && this.map[y * cells + x]! < dark) this.map[y * cells + x] = dark;
      }
    this.blur(1, cells);
    this.blur(cells, 1);
  }

  private blur(step: number, line: number): void {
    const radius = 4;
    for (let l = 0; l < cells; l++) {
      const start = l * line;
      for (let i = 0; i < cells; i++) {
        let sum = 0;
        for (let k = -radius; k <= radius; k++) sum += this.map[start + Math.min(cells - 1, Math.max(0, i + k)) * step]!;
        this.scratch[start + i * step] = sum / (2 * radius + 1);
      }
    }
    [this.map, this.scratch] = [this.scratch, this.map];
  }

  at(x: number, y: number): number {
    const fx = (x / sizeMetres + 0.5) * cells - 0.5;
    const fy = (y / sizeMetres + 0.5) * cells - 0.5;
    const ix = Math.floor(fx);
    const iy = Math.floor(fy);
    if (ix < 0 || iy < 0 || ix >= cells - 1 || iy >= cells - 1) return 0;
    const tx = fx - ix;
    const ty = fy - iy;
    const row = iy * cells + ix;
    const m = this.map;
    return (m[row]! * (1 - tx) + m[row + 1]! * tx) * (1 - ty) + (m[row + cells]! * (1 - tx) + m[row + cells + 1]! * tx) * ty;
  }
}
