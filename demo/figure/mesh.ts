import type { BodyFrame } from './frame.ts';
import { slerpFrame } from './frame.ts';
import type { Colour, Outfit } from './outfit.ts';
import type { Solved } from './solve.ts';
import { add, along, cross, distance, mix, perpendicular, scale, subtract, unit, type Vec3 } from './vector.ts';

/** Triangles of one athlete: positions and normals three numbers a vertex, one colour a triangle, world metres. */
export interface Mesh {
  positions: number[];
  normals: number[];
  triangles: number[];
  colours: number[];
}

interface Ring {
  centre: Vec3;
  /** Half axes of the ellipse as world vectors. */
  a: Vec3;
  b: Vec3;
  colour: Colour;
}

const sides = 14;
const circle = Array.from({ length: sides }, (_, i) => {
  const angle = (i / sides) * 2 * Math.PI;
  return [Math.cos(angle), Math.sin(angle)] as const;
});

/** Sweeps an elliptical tube through the rings and closes both ends. `paint` may recolour a quad by its angle. */
function sweep(mesh: Mesh, rings: Ring[], paint?: (ring: number, side: number, colour: Colour) => Colour): void {
  const base = mesh.positions.length / 3;
  rings.forEach((ring, r) => {
    const before = rings[Math.max(0, r - 1)]!;
    const after = rings[Math.min(rings.length - 1, r + 1)]!;
    const axis = unit(subtract(after.centre, before.centre));
    const run = distance(after.centre, before.centre) || 1;
    const swell = (Math.hypot(...after.a) - Math.hypot(...before.a)) / run;
    for (const [c, s] of circle) {
      const out = add(scale(ring.a, c), scale(ring.b, s));
      const la = Math.hypot(...ring.a) || 1e-6;
      const lb = Math.hypot(...ring.b) || 1e-6;
      const radial = unit(add(scale(ring.a, c / (la * la)), scale(ring.b, s / (lb * lb))));
      mesh.positions.push(...add(ring.centre, out));
      mesh.normals.push(...unit(subtract(radial, scale(axis, swell))));
    }
  });
  for (let r = 0; r < rings.length - 1; r++) {
    for (let i = 0; i < sides; i++) {
      const j = (i + 1) % sides;
      const p = base + r * sides;
      const colour = rings[r]!.colour;
      const painted = paint ? paint(r, i, colour) : colour;
      mesh.triangles.push(p + i, p + j, p + sides + i, p + j, p + sides + j, p + sides + i);
      mesh.colours.push(...painted, ...painted);
    }
  }
  for (const end of [0, rings.length - 1]) {
    const centreIndex = mesh.positions.length / 3;
    const ring = rings[end]!;
    const inner = rings[end === 0 ? 1 : end - 1]!;
    mesh.positions.push(...ring.centre);
    mesh.normals.push(...unit(subtract(ring.centre, inner.centre)));
    for (let i = 0; i < sides; i++) {
      mesh.triangles.push(base + end * sides + i, base + end * sides + ((i + 1) % sides), centreIndex);
      mesh.colours.push(...ring.colour);
    }
  }
}

type Profile = readonly (readonly [share: number, radius: number, colour: Colour, flat?: number])[];

/** A limb segment: rings along from → to by share, radius in metres; `flat` squeezes it across `front`. */
function tube(mesh: Mesh, from: Vec3, to: Vec3, front: Vec3, profile: Profile, paint?: Parameters<typeof sweep>[2]): void {
  const axis = unit(subtract(to, from));
  const f = perpendicular(front, axis);
  const side = cross(f, axis);
  sweep(
    mesh,
    profile.map(([share, radius, colour, flat = 1]) => ({
      centre: mix(from, to, share),
      a: scale(side, radius),
      b: scale(f, radius * flat),
      colour,
    })),
    paint,
  );
}

function ball(mesh: Mesh, centre: Vec3, frame: BodyFrame, radii: Vec3, colour: Colour | ((height: number, front: number) => Colour)): void {
  const rings: Ring[] = [];
  const steps = 9;
  for (let i = 0; i <= steps; i++) {
    const angle = -Math.PI / 2 + (i / steps) * Math.PI;
    const c = Math.max(Math.cos(angle), 0.04);
    const height = Math.sin(angle);
    rings.push({
      centre: along(centre, frame.up, height * radii[2]),
      a: scale(frame.right, radii[0] * c),
      b: scale(frame.front, radii[1] * c),
      colour: typeof colour === 'function' ? colour(height, 0) : colour,
    });
  }
  sweep(mesh, rings, typeof colour === 'function' ? (r, i) => colour(-1 + (2 * (r + 0.5)) / steps, circle[i]![1]) : undefined);
}

function trunkMesh(mesh: Mesh, s: Solved, o: Outfit): void {
  const { joints: j, pelvisFrame: p, chestFrame: c } = s;
  const low = o.legs ?? o.shorts;
  const jacket = o.kind === 'jacket';
  const loose = jacket ? 1.1 : 1;
  const top = along(j.neck, c.up, -0.02);
  const between = slerpFrame(p, c, 0.5);
  const ring = (centre: Vec3, frame: BodyFrame, width: number, depth: number, colour: Colour): Ring => ({
    centre,
    a: scale(frame.right, width * loose),
    b: scale(frame.front, depth * loose),
    colour,
  });
  const skirt = jacket ? o.top : low;
  const rings = [
    ring(along(j.pelvis, p.up, -0.11), p, 0.07, 0.07, low),
    ring(along(j.pelvis, p.up, -0.07), p, 0.135, 0.1, skirt),
    ring(j.pelvis, p, 0.165, 0.115, skirt),
    ring(along(j.pelvis, p.up, 0.07), p, 0.15, 0.105, o.belt ?? o.top),
    ring(along(j.pelvis, p.up, 0.11), p, 0.146, 0.1, o.top),
    ring(mix(j.pelvis, j.chest, 0.5), between, 0.142, 0.098, o.top),
    ring(along(j.chest, c.up, -0.05), c, 0.158, 0.108, o.top),
    ring(along(j.chest, c.up, 0.05), c, 0.172, 0.115, o.top),
    ring(along(j.chest, c.up, 0.11), c, 0.165, 0.1, o.top),
    ring(along(top, c.up, -0.025), c, 0.11, 0.075, o.top),
    ring(top, c, 0.062, 0.06, o.skin),
  ];
  // Front of the chest is at side angle 90°: a jacket shows its lapels and skin between, a rash guard one stripe across.
  sweep(mesh, rings, (r, i, colour) => {
    const front = circle[i]![1];
    const across = Math.abs(circle[i]![0]);
    if (jacket && r >= 5 && r <= 9 && front > 0.7) return across < 0.12 + (r - 5) * 0.05 ? o.skin : o.stripe;
    if (!jacket && r === 6) return o.stripe;
    return colour;
  });
  if (o.belt) ball(mesh, along(along(j.pelvis, p.up, 0.08), p.front, 0.115), p, [0.035, 0.03, 0.03], o.belt);
}

function headMesh(mesh: Mesh, s: Solved, o: Outfit): void {
  const { joints: j, headFrame: h, chestFrame: c } = s;
  const nape = along(j.neck, c.up, -0.03);
  tube(mesh, nape, j.head, c.front, [
    [0, 0.062, o.skin],
    [0.5, 0.055, o.skin],
    [1, 0.05, o.skin],
  ]);
  ball(mesh, j.head, h, [0.079, 0.098, 0.118], (height, front) => {
    if (height > 0.55 || (front < 0.25 && height > -0.35) || (o.hairStyle !== 'cropped' && front < 0 && height > -0.6)) return o.hair;
    if (o.beard && front > 0.2 && height < -0.3) return o.hair;
    return o.skin;
  });
  ball(mesh, along(along(j.head, h.front, 0.1), h.up, -0.01), h, [0.014, 0.022, 0.022], o.skin);
  for (const side of [-1, 1])
    ball(
      mesh,
      along(along(along(j.head, h.front, 0.088), h.right, side * 0.032), h.up, 0.018),
      h,
      [0.014, 0.012, 0.011],
      [0.1, 0.08, 0.07],
    );
  if (o.hairStyle === 'bun') ball(mesh, along(along(j.head, h.front, -0.09), h.up, 0.06), h, [0.045, 0.04, 0.042], o.hair);
  for (const side of [-1, 1]) ball(mesh, along(j.head, h.right, side * 0.079), h, [0.012, 0.022, 0.03], o.skin);
}

function armMesh(mesh: Mesh, s: Solved, o: Outfit, side: 'r' | 'l'): void {
  const { joints: j, chestFrame: c } = s;
  const [sh, elb, wr, tip] = [j[`${side}Sh`], j[`${side}Elb`], j[`${side}Wr`], j[`${side}Tip`]];
  const grip = side === 'r' ? s.grip.right : s.grip.left;
  const jacket = o.kind === 'jacket';
  const f = jacket ? 1.25 : 1;
  const sleeve = o.top;
  tube(mesh, along(sh, unit(subtract(j.neck, sh)), 0.06), elb, c.front, [
    [0, 0.05 * f, sleeve],
    [0.12, 0.066 * f, sleeve],
    [0.3, 0.06 * f, sleeve],
    [0.45, 0.055 * f, o.stripe],
    [0.58, 0.053 * f, sleeve],
    [1, 0.044 * f, sleeve],
  ]);
  ball(mesh, elb, c, [0.043 * f, 0.043 * f, 0.043 * f], sleeve);
  tube(mesh, elb, wr, c.front, [
    [0, 0.043 * f, sleeve],
    [0.25, 0.046 * f, sleeve],
    [0.78, 0.036 * f, jacket ? o.stripe : sleeve],
    [0.88, (jacket ? 0.05 : 0.033) * 1, o.skin],
    [1, 0.028, o.skin],
  ]);
  const palm = 0.05 + 0.045 * (1 - grip);
  const direction = unit(subtract(tip, wr));
  tube(mesh, wr, along(wr, direction, 0.06 + palm), c.front, [
    [0, 0.029, o.skin, 0.8],
    [0.35, 0.043, o.skin, 0.55 + grip * 0.4],
    [0.75, 0.041, o.skin, 0.5 + grip * 0.45],
    [1, 0.02, o.skin, 0.6],
  ]);
}

function legMesh(mesh: Mesh, s: Solved, o: Outfit, side: 'r' | 'l'): void {
  const { joints: j, pelvisFrame: p } = s;
  const [hip, knee, ank, toe] = [j[`${side}Hip`], j[`${side}Knee`], j[`${side}Ank`], j[`${side}Toe`]];
  const jacket = o.kind === 'jacket';
  const f = jacket ? 1.14 : 1;
  const upper = o.legs ?? o.shorts;
  const lower = o.legs ?? o.skin;
  const hem = o.legs ? (jacket ? o.stripe : o.legs) : o.skin;
  tube(mesh, along(hip, p.up, 0.02), knee, p.front, [
    [0, 0.088 * f, upper],
    [0.2, 0.09 * f, upper],
    [0.45, 0.08 * f, upper],
    [0.6, 0.073 * f, o.legs ? upper : o.stripe],
    [0.66, 0.068 * f, lower],
    [1, 0.056 * f, lower],
  ]);
  ball(mesh, knee, p, [0.058 * f, 0.058 * f, 0.058 * f], lower);
  const calf = perpendicular(subtract(knee, mix(hip, ank, 0.5)), unit(subtract(ank, knee)));
  tube(mesh, knee, ank, calf, [
    [0, 0.056 * f, lower],
    [0.25, 0.058 * f, lower],
    [0.6, 0.047 * f, lower],
    [0.84, 0.04 * f, hem],
    [0.9, jacket ? 0.05 : 0.036, o.skin],
    [1, 0.035, o.skin],
  ]);
  const heel = along(ank, unit(subtract(toe, ank)), -0.045);
  tube(mesh, along(heel, unit(subtract(ank, knee)), 0.03), along(toe, unit(subtract(toe, ank)), 0.02), subtract(knee, ank), [
    [0, 0.03, o.skin],
    [0.15, 0.04, o.skin, 0.95],
    [0.5, 0.042, o.skin, 0.75],
    [0.8, 0.045, o.skin, 0.5],
    [1, 0.022, o.skin, 0.6],
  ]);
}

/** The whole athlete as triangles, about 4,000 of them. */
export function athleteMesh(solved: Solved, outfit: Outfit): Mesh {
  const mesh: Mesh = { positions: [], normals: [], triangles: [], colours: [] };
  trunkMesh(mesh, solved, outfit);
  headMesh(mesh, solved, outfit);
  for (const side of ['r', 'l'] as const) {
    legMesh(mesh, solved, outfit, side);
    armMesh(mesh, solved, outfit, side);
  }
  return mesh;
}
