/** The tape's geometry: what is drawn where, in pixels, from days and shares. */
import { civilOf, dayOfCivil, weekdayOf } from '../../core/calendar/civil.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { sawOf, type Stroke } from '../../core/standing/saw.ts';
import type { TapeAnswer, TapeBar, TapeFlag, TapePart, Tooth } from '../../contract/pages/tape.ts';

/** One row: its saw between nothing used and a third past the line, the condition found under it. */
export const ROW = { height: 56, line: 14, base: 42, teeth: 46, tooth: 6 } as const;
/** A share above this is drawn as this: how far past, the words say. */
const TOP_SHARE = 1.5;
export const HEAD = 20;
export const FLAG_HEIGHT = 22;
export const BAR_HEIGHT = 14;
export const AXIS = 22;

export interface PlacedPart {
  readonly part: TapePart;
  readonly y: number;
  readonly saw: string;
  /** Closed on the line: what of it lies above is past. */
  readonly area: string;
  /** Bars of the conditions found, and those that it could have had. */
  readonly found: string;
  readonly faint: string;
}

export interface PlacedBar {
  readonly x: number;
  readonly width: number;
  readonly says: string;
}

export interface PlacedFlag {
  readonly x: number;
  readonly flag: TapeFlag;
  readonly open: boolean;
}

export interface PlacedTape {
  readonly width: number;
  readonly height: number;
  readonly parts: readonly PlacedPart[];
  readonly bands: readonly PlacedBar[];
  readonly flags: readonly PlacedFlag[];
  readonly flagY: number;
  readonly bars: readonly (PlacedBar & { readonly y: number })[];
  readonly posts: readonly { readonly x: number; readonly decision: string }[];
  readonly ticks: readonly { readonly x: number; readonly day: number; readonly year: boolean }[];
  readonly weeks: readonly { readonly x: number; readonly day: number }[];
  readonly axisY: number;
}

/** Pixels a day. */
export interface TapeScale {
  readonly fromDay: number;
  readonly pxPerDay: number;
}

const tidy = (value: number) => Math.round(value * 10) / 10;
const shareY = (share: number) => tidy(ROW.base - (Math.min(share, TOP_SHARE) * (ROW.base - ROW.line)) / 1);

function pathOf(stroke: Stroke, xOf: (day: number) => number): string {
  return stroke.map(({ day, share }, i) => `${i === 0 ? 'M' : 'L'}${xOf(day)} ${shareY(share)}`).join('');
}

/** Bars of a tooth, as many as the condition is bad: none for clean, four for blocked. */
function teethOf(teeth: readonly Tooth[], xOf: (day: number) => number) {
  let [found, faint] = ['', ''];
  for (const { day, grade, look } of teeth) {
    if (grade === null) continue;
    const worst = GRADES.length - 1;
    for (let i = 0; i < worst; i += 1) {
      const height = look ? ROW.tooth / 2 : ROW.tooth;
      const bar = `M${tidy(xOf(day) - 5 + i * 3)} ${ROW.teeth}v${height}`;
      if (i < GRADES.indexOf(grade)) found += bar;
      else faint += bar;
    }
  }
  return { found, faint };
}

function placedBar({ fromDay, toDay, says }: TapeBar, today: number, xOf: (day: number) => number): PlacedBar {
  const x = xOf(fromDay);
  return { x, width: Math.max(2, tidy(xOf((toDay ?? today) + 1) - x)), says };
}

/** Lays a tape out. A month has its tick; a week, where there is room. */
export function layoutTape(tape: TapeAnswer, { fromDay, pxPerDay }: TapeScale): PlacedTape {
  const { today } = tape;
  const xOf = (day: number) => tidy((Math.max(day, fromDay) - fromDay) * pxPerDay);
  const width = Math.ceil(xOf(today + 1));
  const shown = (bar: TapeBar) => (bar.toDay ?? today) >= fromDay;
  const parts = tape.parts.map((part, i): PlacedPart => {
    const strokes = sawOf(part.trace, fromDay, today);
    const closed = strokes.map(
      (stroke) => `${pathOf(stroke, xOf)}L${xOf(stroke.at(-1)!.day)} ${ROW.line}L${xOf(stroke[0]!.day)} ${ROW.line}Z`,
    );
    return {
      part,
      y: HEAD + i * ROW.height,
      saw: strokes.map((stroke) => pathOf(stroke, xOf)).join(''),
      area: closed.join(''),
      ...teethOf(
        part.teeth.filter(({ day }) => day >= fromDay),
        xOf,
      ),
    };
  });
  const flagY = HEAD + parts.length * ROW.height;
  const bars = tape.deficiencies
    .filter(shown)
    .map((bar, i) => ({ ...placedBar(bar, today, xOf), y: flagY + FLAG_HEIGHT + i * BAR_HEIGHT }));
  const axisY = flagY + FLAG_HEIGHT + bars.length * BAR_HEIGHT + 4;
  const ticks = [];
  const { year, month } = civilOf(fromDay);
  for (let i = 1, day = dayOfCivil(year, month + 1, 1); day <= today; i += 1, day = dayOfCivil(year, month + i, 1))
    ticks.push({ x: xOf(day), day, year: civilOf(day).month === 1 });
  const weeks = [];
  for (let day = fromDay + ((7 - weekdayOf(fromDay)) % 7); pxPerDay >= 4 && day <= today; day += 7)
    weeks.push({ x: xOf(day), day });
  return {
    width,
    height: axisY + AXIS,
    parts,
    bands: tape.households.filter(shown).map((bar) => placedBar(bar, today, xOf)),
    flags: tape.flags
      .filter(({ fromDay: day }) => day >= fromDay)
      .map((flag) => ({ x: xOf(flag.fromDay), flag, open: flag.toDay === null })),
    flagY,
    bars,
    posts: tape.remedies.filter(({ day }) => day >= fromDay).map(({ day, decision }) => ({ x: xOf(day), decision })),
    ticks,
    weeks,
    axisY,
  };
}
