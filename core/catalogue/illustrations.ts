/** Drawings of what words do badly: how a part turns, which way it points, where to look. Keys: `illustrated.ts`. */
import { ACCENT, arrow, BODY, box, fine, grid, INK, line, ring, SHADE, WARN } from './pen.ts';

const WATER = '#9fc4c9';
const rows = (count: number, path: (i: number) => string) => Array.from({ length: count }, (_, i) => path(i)).join('');
const drops = (...at: readonly (readonly [number, number])[]) =>
  at.map(([x, y]) => `<path d="M${x} ${y}c5 8 5 12 0 12s-5-4 0-12z" fill="${WATER}"/>`).join('');
const tick = (x: number, y: number) =>
  `<path d="M${x} ${y}l7 8l14-17" fill="none" stroke="${ACCENT}" stroke-width="5" stroke-linecap="round" stroke-linejoin="round"/>`;
const cross = (x: number, y: number) =>
  `<path d="M${x - 9} ${y - 9}l18 18M${x + 9} ${y - 9}l-18 18" stroke="${WARN}" stroke-width="5" stroke-linecap="round"/>`;
const beam = (x: number, y: number) => `<path d="M${x} ${y}l46 -18v52z" fill="#e8dfae" opacity=".8"/>`;

const round = (turn: string) => ring(100, 75, 46) + ring(100, 75, 30, SHADE) + line('M90 52h20v46h-20z', SHADE) + turn;

export const ILLUSTRATIONS = {
  unlock: round(arrow('M150 58A54 54 0 0 0 62 38', [74, 30, 58, 44])) + fine('M100 20v8'),
  lock:
    round(arrow('M50 58A54 54 0 0 1 138 38', [126, 30, 142, 44])) +
    `<path d="M100 22l-6-9h12z" fill="${ACCENT}"/><path d="M100 27l-6 9h12z" fill="${ACCENT}"/>`,
  airArrow:
    box(70, 20, 34, 110) +
    fine(rows(8, (i) => `M76 ${30 + i * 13}l22 6`)) +
    arrow('M18 75H52', [18, 75, 56, 75]) +
    arrow('M74 75h26', [74, 75, 100, 75], INK) +
    line('M124 20h56v110h-56', BODY) +
    ring(152, 75, 20, SHADE) +
    line('M152 75c6-14 14-12 12-3M152 75c-14 4-14 12-4 14M152 75c-8-10-2-18 6-14'),
  guides:
    line('M30 30h140M30 120h140') +
    line('M30 40h140M30 110h140') +
    box(62, 42, 104, 66) +
    fine(rows(6, (i) => `M${76 + i * 15} 48l-4 54`)) +
    arrow('M20 75h34', [20, 75, 58, 75]),
  fins:
    box(56, 12, 88, 126, 'rx="4"') +
    fine(rows(13, (i) => `M${64 + i * 6} 20v110`)) +
    arrow('M24 26V112', [24, 100, 24, 118]) +
    drops([24, 128]) +
    fine('M14 26h20') +
    `<g transform="translate(0 4)">${line('M158 66h34')}${cross(174, 66)}</g>`,
  bootFolds:
    line('M16 132a88 96 0 0 1 168 0', 'none') +
    line('M40 136a62 70 0 0 1 120 0', 'none') +
    fine('M26 134a76 84 0 0 1 148 0') +
    `<path d="M74 62q26 -14 52 0l-6 16q-20 -10 -40 0z" fill="${SHADE}" stroke="${INK}" stroke-width="3"/>` +
    arrow('M100 104V84', [100, 104, 100, 80]) +
    arrow('M66 112L52 94', [66, 112, 49, 90]) +
    arrow('M134 112L148 94', [134, 112, 151, 90]),
  hoseEnds:
    box(14, 44, 40, 74, 'rx="4"') +
    box(146, 44, 40, 74, 'rx="4"') +
    line('M54 66q46-22 92 0v26q-46-22-92 0z', BODY) +
    fine(rows(9, (i) => `M${64 + i * 9} ${Math.round(66 - 11 * Math.sin(((i + 1) / 10) * Math.PI))}v25`)) +
    `<path d="M60 60v32M140 60v32" stroke="${ACCENT}" stroke-width="6"/>` +
    arrow('M60 132V104', [60, 132, 60, 100]) +
    arrow('M140 132V104', [140, 132, 140, 100]) +
    fine('M54 24h92M54 18v12M146 18v12'),
  sump:
    box(18, 18, 164, 114, 'rx="8"') +
    ring(100, 84, 44, '#b9c2bf') +
    line('M100 66v36M84 76l32 16M84 92l32-16') +
    `<path d="M46 6L66 104L116 52z" fill="#e8dfae" opacity=".8"/>` +
    line('M150 20l-30 42') +
    line('M120 62q-8 12-2 16q10 0 6-14', SHADE),
  sprayArmTest:
    line('M22 66a10 10 0 0 1 10-10l52 8h32l52-8a10 10 0 0 1 0 34l-52-8H84l-52 8a10 10 0 0 1-10-10z', BODY) +
    ring(100, 73, 12, SHADE) +
    `<path d="M100 10v46" stroke="${WATER}" stroke-width="9" stroke-linecap="round"/>` +
    arrow('M30 96v26', [30, 96, 30, 128]) +
    arrow('M170 96v26', [170, 96, 170, 128]) +
    drops([46, 100], [64, 96], [136, 96], [154, 100]),
  condenserLevers:
    box(34, 34, 132, 84, 'rx="6"') +
    fine(rows(7, (i) => `M60 ${48 + i * 10}h80`)) +
    line('M46 52v26M154 52v26') +
    `<circle cx="46" cy="50" r="7" fill="${ACCENT}"/><circle cx="154" cy="50" r="7" fill="${ACCENT}"/>` +
    arrow('M26 84A26 26 0 0 1 34 30', [24, 40, 40, 26]) +
    arrow('M174 84A26 26 0 0 0 166 30', [176, 40, 160, 26]),
  screenTest:
    box(34, 66, 132, 26, 'rx="6"') +
    grid(38, 68, 124, 22, 8) +
    `<path d="M72 16v46M100 10v52M128 16v46" stroke="${WATER}" stroke-width="8" stroke-linecap="round"/>` +
    arrow('M72 98v22', [72, 98, 72, 128]) +
    arrow('M100 98v26', [100, 98, 100, 134]) +
    arrow('M128 98v22', [128, 98, 128, 128]) +
    tick(166, 118),
  trapAndTee:
    line('M18 52h66v36a28 24 0 0 0 56 0V52h42', 'none') +
    line('M18 76h44v12a52 46 0 0 0 100 0V76h20', 'none') +
    line('M40 52V18h22v34', BODY) +
    `<path d="M36 18h30" stroke="${ACCENT}" stroke-width="7" stroke-linecap="round"/>` +
    arrow('M51 10V44', [51, 30, 51, 48]) +
    `<path d="M84 96a28 24 0 0 0 56 0z" fill="${WATER}"/>` +
    arrow('M150 64h24', [150, 64, 182, 64]),
  springWires:
    box(40, 92, 120, 26, 'rx="6"') +
    fine(rows(8, (i) => `M${54 + i * 13} 98v14`)) +
    line('M72 92L54 50M72 92L86 50M128 92L114 50M128 92L146 50') +
    arrow('M40 66L56 66', [40, 66, 58, 66]) +
    arrow('M100 66L86 66', [100, 66, 84, 66]) +
    arrow('M100 124V138', [100, 120, 100, 144]),
  lightTest:
    box(96, 24, 72, 102, 'rx="4"') +
    grid(100, 28, 64, 94, 8) +
    ring(34, 75, 15, '#e8dfae') +
    beam(50, 66) +
    fine('M34 46v-12M34 104v12M10 75H2'),
} as const;

export type IllustrationKey = keyof typeof ILLUSTRATIONS;

/** An illustration as SVG text. */
export function illustration(key: IllustrationKey): string {
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 150">${ILLUSTRATIONS[key]}</svg>`;
}
