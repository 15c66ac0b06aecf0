/**
 * Drawn pictures of parts in any condition, as SVG text. One drawing serves the reference pictures that
 * people grade against and, with a scene around it, the demo's photos. Two line weights, one fill; dirt
 * is what grows.
 */
import { seeded, type Random } from '../statistics/random.ts';
import type { Grade } from './grades.ts';
import { drawingOf, type Drawing } from './parts.ts';

/** The load at which each grade's reference picture is drawn. */
const REFERENCE_LOAD: Readonly<Record<Grade, number>> = { clean: 0.05, light: 0.45, due: 1, heavy: 1.75, blocked: 2.9 };

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
    marks +=
      dirt === 'lint'
        ? `<path d="M${round(x)} ${round(y)}q${round(size)} ${round(-size)} ${round(size * 1.8)} ${round(size * 0.4)}" stroke="${colour}" stroke-width="${round(0.8 + size / 4)}" fill="none" transform="rotate(${turn} ${round(x)} ${round(y)})"/>`
        : `<ellipse cx="${round(x)}" cy="${round(y)}" rx="${round(size)}" ry="${round(size * 0.6)}" fill="${colour}" opacity=".75" transform="rotate(${turn} ${round(x)} ${round(y)})"/>`;
  }
  return marks;
}

/** The part served by a procedure at a load, as the inside of an SVG of 200 × 150. */
function drawnPart(procedure: string, load: number, random: Random): string {
  const drawing = drawingOf(procedure);
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
