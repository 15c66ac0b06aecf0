/**
 * Drawn pictures of parts in any condition, as SVG text. One drawing serves the reference pictures that
 * people grade against and, with a scene around it, the demo's photos. Two line weights, one fill; dirt
 * is what grows.
 */
import { seeded, type Random } from '../statistics/random.ts';
import type { Grade } from '../due/grades.ts';

const INK = '#3a4a4e';
const FINE = '#8fa09f';
const BODY = '#f7f5ee';

/** The load at which each grade's reference picture is drawn. */
const REFERENCE_LOAD: Readonly<Record<Grade, number>> = { clean: 0.05, light: 0.45, due: 1, heavy: 1.75, blocked: 2.9 };

interface Drawing {
  readonly part: string;
  /** Where dirt settles: a point for two uniform numbers, in the 200 × 150 frame. */
  readonly settle: (u: number, v: number) => readonly [number, number];
  readonly dirt: 'dust' | 'lint' | 'grease' | 'slime';
}

const grid = (x: number, y: number, width: number, height: number, step: number) => {
  let path = '';
  for (let i = x + step; i < x + width; i += step) path += `M${i} ${y}v${height}`;
  for (let j = y + step; j < y + height; j += step) path += `M${x} ${j}h${width}`;
  return `<path d="${path}" stroke="${FINE}" stroke-width="1" fill="none"/>`;
};

const box = (x: number, y: number, width: number, height: number, extra = '') =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${BODY}" stroke="${INK}" stroke-width="3" ${extra}/>`;

const DRAWINGS: Readonly<Record<string, Drawing>> = {
  'airHandler.returnFilter': {
    part: `${box(30, 22, 140, 106, 'rx="3"')}<path d="${Array.from({ length: 13 }, (_, i) => `M${40 + i * 10} 30l-4 92`).join('')}" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [36 + u * 128, 28 + v * 94], dirt: 'dust',
  },
  'dryer.lintScreen': {
    part: `${box(52, 14, 96, 122, 'rx="8"')}${grid(60, 22, 80, 106, 6)}<path d="M86 8h28v10h-28z" fill="${BODY}" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [62 + u * 76, 24 + v * 102], dirt: 'lint',
  },
  'dishwasher.filter': {
    part: `<path d="M66 36l8 92a26 9 0 0 0 52 0l8-92z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><ellipse cx="100" cy="36" rx="34" ry="11" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><path d="M72 60h56M73 76h54M75 92h50M76 108h48M80 46l5 86M92 48l2 88M108 48l-2 88M120 46l-5 86" stroke="${FINE}" stroke-width="1" fill="none"/>`,
    settle: (u, v) => [74 + u * 52, 44 + v * 88], dirt: 'grease',
  },
  'washer.drainPumpFilter': {
    part: `<path d="M40 60h72v42h-72z" fill="${BODY}" stroke="${INK}" stroke-width="3"/>${grid(44, 64, 64, 34, 9)}<circle cx="138" cy="81" r="32" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M132 55h12v52h-12z" fill="#e9ece6" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [42 + u * 70, 62 + v * 40], dirt: 'lint',
  },
  'washer.doorBoot': {
    part: `<path d="M14 134a92 92 0 0 1 172 0" fill="none" stroke="${INK}" stroke-width="30"/><path d="M14 134a92 92 0 0 1 172 0" fill="none" stroke="${BODY}" stroke-width="25"/><path d="M24 138a82 82 0 0 1 152 0M8 130a98 98 0 0 1 184 0" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => { const a = Math.PI * (1.12 + u * 0.76); const r = 84 + v * 18; return [100 + r * Math.cos(a), 166 + r * Math.sin(a)]; }, dirt: 'slime',
  },
  'refrigerator.doorSeals': {
    part: `${box(40, 14, 120, 122, 'rx="10"')}<rect x="52" y="26" width="96" height="98" rx="5" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><path d="M46 20h108v110h-108z" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => (u < 0.5 ? [43 + v * 8, 20 + u * 2 * 110] : [46 + (u - 0.5) * 2 * 108, 124 + v * 9]), dirt: 'grease',
  },
  'refrigerator.waterFilter': {
    part: `<rect x="66" y="34" width="68" height="104" rx="14" fill="${BODY}" stroke="${INK}" stroke-width="3"/><rect x="80" y="14" width="40" height="22" rx="4" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><path d="M66 62h68M66 118h68" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [72 + u * 56, 40 + v * 92], dirt: 'slime',
  },
  'dishwasher.doorSeal': {
    part: `<path d="M22 24h156v96H22z" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><path d="M30 32h140v80H30z" fill="none" stroke="${BODY}" stroke-width="10"/><path d="M30 32h140v80H30z" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => (u < 0.6 ? [26 + (u / 0.6) * 148, 108 + v * 9] : [u < 0.8 ? 26 + v * 9 : 165 + v * 9, 32 + ((u - 0.6) / 0.4) * 78]), dirt: 'grease',
  },
  'dishwasher.interiorWash': {
    part: `${box(26, 16, 148, 118, 'rx="8"')}<path d="M26 48h148M26 100h148" stroke="${FINE}" stroke-width="2"/><path d="M60 76h80M100 70v12" stroke="${INK}" stroke-width="3"/><ellipse cx="100" cy="122" rx="18" ry="6" fill="#cfd8d5" stroke="${INK}" stroke-width="2"/>`,
    settle: (u, v) => [32 + u * 136, 22 + v * 106], dirt: 'grease',
  },
  'washer.drawer': {
    part: `<path d="M24 54h152l-12 62H36z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M24 54h152v-14H24zM76 56l4 58M126 56l-4 58" fill="none" stroke="${INK}" stroke-width="2"/><path d="M40 68h30M86 68h30M132 68h30" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [40 + u * 120, 58 + v * 54], dirt: 'slime',
  },
  'washer.tub': {
    part: `<circle cx="100" cy="75" r="62" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="48" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M100 32v24M63 97l21-12M137 97l-21-12" stroke="${FINE}" stroke-width="5"/><circle cx="100" cy="75" r="12" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => { const a = u * 2 * Math.PI; const r = 8 + Math.sqrt(v) * 38; return [100 + r * Math.cos(a), 75 + r * Math.sin(a)]; }, dirt: 'slime',
  },
  'hood.greaseFilter': {
    part: `${box(34, 18, 132, 114, 'rx="4"')}<path d="${Array.from({ length: 11 }, (_, i) => `M40 ${28 + i * 9}l120 8`).join('')}" stroke="${FINE}" stroke-width="2"/><path d="M88 18h24v8H88z" fill="#e9ece6" stroke="${INK}" stroke-width="2"/>`,
    settle: (u, v) => [40 + u * 120, 24 + v * 102], dirt: 'grease',
  },
  'airHandler.floatSwitch': {
    part: `<path d="M30 96h140v34H30z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M100 96V40M100 40h34" stroke="${INK}" stroke-width="3" fill="none"/><rect x="84" y="62" width="32" height="26" rx="8" fill="#e9ece6" stroke="${INK}" stroke-width="3"/><path d="M36 112h128" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [36 + u * 128, 104 + v * 22], dirt: 'slime',
  },
  'airHandler.coolingCheck': {
    part: `${box(40, 34, 120, 82, 'rx="4"')}<path d="M52 52h96M52 66h96M52 80h96M52 94h96" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [46 + u * 108, 42 + v * 66], dirt: 'dust',
  },
  'airHandler.condensateDrain': {
    part: `<path d="M20 70h60v-46h34v46h66v36h-160z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><ellipse cx="97" cy="24" rx="17" ry="6" fill="#cfd8d5" stroke="${INK}" stroke-width="3"/><path d="M26 96h148" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [26 + u * 148, 88 + v * 15], dirt: 'slime',
  },
  'dryer.duct': {
    part: `<circle cx="100" cy="75" r="58" fill="${BODY}" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="44" fill="#cfd8d5" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="30" fill="none" stroke="${FINE}" stroke-width="2"/><circle cx="100" cy="75" r="18" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => { const a = u * 2 * Math.PI; const r = 43 - v * v * 36; return [100 + r * Math.cos(a), 75 + r * Math.sin(a)]; }, dirt: 'lint',
  },
};

const COLOURS: Readonly<Record<Drawing['dirt'], readonly string[]>> = {
  dust: ['#8d8577', '#a39b8b', '#6f685c'],
  lint: ['#9aa0ab', '#b7b3b0', '#7d818c'],
  grease: ['#8a6a3c', '#a5824d', '#6b5330'],
  slime: ['#5d6b4a', '#76815f', '#4a5540'],
};

const round = (value: number) => Math.round(value * 10) / 10;

function dirtOf({ settle, dirt }: Drawing, load: number, random: Random): string {
  const specks = Math.round(150 * Math.min(load, 3));
  const colours = COLOURS[dirt];
  const reach = 1.2 + Math.min(load, 3) * 2.2;
  let marks = '';
  for (let i = 0; i < specks; i += 1) {
    const [x, y] = settle(random(), random());
    const size = (0.5 + random()) * reach;
    const colour = colours[Math.floor(random() * colours.length)]!;
    const turn = Math.round(random() * 180);
    marks += dirt === 'lint'
      ? `<path d="M${round(x)} ${round(y)}q${round(size)} ${round(-size)} ${round(size * 1.8)} ${round(size * 0.4)}" stroke="${colour}" stroke-width="${round(0.8 + size / 4)}" fill="none" transform="rotate(${turn} ${round(x)} ${round(y)})"/>`
      : `<ellipse cx="${round(x)}" cy="${round(y)}" rx="${round(size)}" ry="${round(size * 0.6)}" fill="${colour}" opacity=".75" transform="rotate(${turn} ${round(x)} ${round(y)})"/>`;
  }
  return marks;
}

/** The part served by a procedure at a load, as the inside of an SVG of 200 × 150. */
function drawnPart(procedure: string, load: number, random: Random): string {
  const drawing = DRAWINGS[procedure];
  if (!drawing) throw new RangeError(`no picture for ${procedure}`);
  return drawing.part + dirtOf(drawing, load, random);
}

/** The reference picture of a grade. Seeded by the procedure alone, so that dirt only ever grows along the row. */
export function referencePicture(procedure: string, grade: Grade): string {
  const load = REFERENCE_LOAD[grade];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 150">${drawnPart(procedure, load, seeded(7))}</svg>`;
}

const SURFACES = ['#c9c2b4', '#b9c4c6', '#d6d2c8', '#a9b3b0', '#cbb79c', '#8e9a9c', '#dfdcd3'];

/** A photo-like scene of a part on some surface in some light: each seed a different one. */
export function scenePicture(procedure: string, load: number, seed: number): string {
  const random = seeded(seed);
  const surface = SURFACES[Math.floor(random() * SURFACES.length)]!;
  const [lightX, lightY] = [Math.round(random() * 100), Math.round(random() * 100)];
  const turn = Math.round((random() - 0.5) * 70);
  const scale = round(0.62 + random() * 0.5);
  const [dx, dy] = [Math.round((random() - 0.5) * 70), Math.round((random() - 0.5) * 46)];
  let clutter = '';
  for (let i = 0; i < 7; i += 1) {
    const tone = Math.round(90 + random() * 120);
    clutter += `<rect x="${Math.round(random() * 220 - 20)}" y="${Math.round(random() * 170 - 20)}" width="${Math.round(10 + random() * 60)}" height="${Math.round(4 + random() * 30)}" fill="rgb(${tone},${tone},${tone - 12})" opacity=".55" transform="rotate(${Math.round(random() * 90)} 100 75)"/>`;
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="480" viewBox="0 0 200 150">
<defs><radialGradient id="l" cx="${lightX}%" cy="${lightY}%" r="95%"><stop offset="0" stop-color="#fff" stop-opacity=".55"/><stop offset="1" stop-color="#000" stop-opacity=".42"/></radialGradient></defs>
<rect width="200" height="150" fill="${surface}"/>${clutter}
<g transform="translate(${dx} ${dy}) rotate(${turn} 100 75) translate(100 75) scale(${scale}) translate(-100 -75)">${drawnPart(procedure, load, random)}</g>
<rect width="200" height="150" fill="url(#l)"/></svg>`;
}
