import sharp from 'sharp';
import type { Vec3 } from '../figure/vector.ts';
import { project } from './camera.ts';

/** The painted hall in plane coordinates: u, v of its top-left corner and pixels per plane unit. */
export interface Hall {
  left: number;
  top: number;
  resolution: number;
  width: number;
  height: number;
  rgb: Uint8Array;
}

/** Colours of a hall; every clip names one so that rooms can be told apart. */
export interface HallColours {
  matA: string;
  matB: string;
  border: string;
  wall: string;
  pads: string;
  seam: string;
}

const bounds = { left: -1050, top: -620, width: 2100, height: 1250 };
const resolution = 1.3;

const corners = (points: Vec3[]): string =>
  points
    .map(project)
    .map(({ u, v }) => `${((u - bounds.left) * resolution).toFixed(1)},${((v - bounds.top) * resolution).toFixed(1)}`)
    .join(' ');
const polygon = (points: Vec3[], fill: string, extra = ''): string => `<polygon points="${corners(points)}" fill="${fill}" ${extra}/>`;

/** A wall clock face in the wall plane (y = 2.6), at x = 1.55 so that heads do not cover it. */
function clock(): string {
  const at = project([1.55, 2.58, 1.75]);
  const r = 26 * resolution;
  const x = (at.u - bounds.left) * resolution;
  const y = (at.v - bounds.top) * resolution;
  const tick = (turn: number, inner: number, width: number): string => {
    const a = turn * 2 * Math.PI;
    return `<line x1="${x + Math.sin(a) * r * inner}" y1="${y - Math.cos(a) * r * inner}" x2="${x + Math.sin(a) * r * 0.9}" y2="${y - Math.cos(a) * r * 0.9}" stroke="#2b2f33" stroke-width="${width}"/>`;
  };
  const ticks = Array.from({ length: 12 }, (_, i) => tick(i / 12, 0.74, 2)).join('');
  return `<circle cx="${x}" cy="${y}" r="${r}" fill="#f4f2ea" stroke="#3a3f44" stroke-width="4"/>${ticks}${tick(0.83, 0, 3)}${tick(0.16, 0, 2)}`;
}

/** Paints mat tiles of one metre, the wall with its pads and the clock, once a clip. */
export async function paintHall(colours: HallColours): Promise<Hall> {
  const width = Math.round(bounds.width * resolution);
  const height = Math.round(bounds.height * resolution);
  const near = -2.4;
  const shapes: string[] = [
    polygon(
      [
        [-6, 2.6, 0],
        [6, 2.6, 0],
        [6, 2.6, 4],
        [-6, 2.6, 4],
      ],
      colours.wall,
    ),
    polygon(
      [
        [-6, near, 0],
        [6, near, 0],
        [6, 2.6, 0],
        [-6, 2.6, 0],
      ],
      colours.border,
    ),
  ];
  for (let x = -6; x < 6; x++)
    for (let y = -2; y < 2; y++)
      shapes.push(
        polygon(
          [
            [x, y, 0],
            [x + 1, y, 0],
            [x + 1, y + 1, 0],
            [x, y + 1, 0],
          ],
          (x + y) & 1 ? colours.matA : colours.matB,
          `stroke="${colours.seam}" stroke-width="2"`,
        ),
      );
  for (let x = -6; x < 6; x++)
    shapes.push(
      polygon(
        [
          [x + 0.01, 2.58, 0],
          [x + 0.99, 2.58, 0],
          [x + 0.99, 2.58, 1.15],
          [x + 0.01, 2.58, 1.15],
        ],
        colours.pads,
        `stroke="${colours.seam}" stroke-width="2"`,
      ),
    );
  shapes.push(
    polygon(
      [
        [-2.6, 2.58, 1.45],
        [-1.3, 2.58, 1.45],
        [-1.3, 2.58, 2.15],
        [-2.6, 2.58, 2.15],
      ],
      '#cfd8dc',
      'stroke="#5b6166" stroke-width="5"',
    ),
  );
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="${colours.border}"/>${shapes.join('')}${clock()}</svg>`;
  const rgb = await sharp(Buffer.from(svg)).removeAlpha().blur(0.8).raw().toBuffer();
  return { left: bounds.left, top: bounds.top, resolution, width, height, rgb };
}
