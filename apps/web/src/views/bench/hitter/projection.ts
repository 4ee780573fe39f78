export interface Point {
  x: number;
  y: number;
  z: number;
}

/** A pinhole camera: where it is, where it looks, its picture in px. */
export interface Camera {
  eye: Point;
  lookAt: Point;
  widthPx: number;
  heightPx: number;
  /** Upright angle of view, °. */
  fovDeg: number;
}

/** Nothing nearer than this, m, is drawn. */
const NEAREST_M = 0.15;

/**
 * True perspective of the hitter's eye. @returns a function from a place (m) to the picture: px, and how many px a metre is there; null behind
 * the eye
 */
export function projector({ eye, lookAt, widthPx, heightPx, fovDeg }: Camera): (p: Point) => { x: number; y: number; perM: number } | null {
  const f = unit({ x: lookAt.x - eye.x, y: lookAt.y - eye.y, z: lookAt.z - eye.z });
  const r = unit({ x: f.y, y: -f.x, z: 0 });
  const u = { x: r.y * f.z - r.z * f.y, y: r.z * f.x - r.x * f.z, z: r.x * f.y - r.y * f.x };
  const focal = heightPx / (2 * Math.tan((fovDeg * Math.PI) / 360));
  return (p) => {
    const d = { x: p.x - eye.x, y: p.y - eye.y, z: p.z - eye.z };
    const depth = dot(d, f);
    if (depth < NEAREST_M) return null;
    const perM = focal / depth;
    return { x: widthPx / 2 + dot(d, r) * perM, y: heightPx / 2 - dot(d, u) * perM, perM };
  };
}

const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z;

function unit(v: Point): Point {
  const length = Math.hypot(v.x, v.y, v.z);
  return { x: v.x / length, y: v.y / length, z: v.z / length };
}
