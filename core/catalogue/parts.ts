/** The parts as they are drawn, clean, and where dirt settles on each. */
import { isDefined, kindOfPart } from './definition.ts';
import type { PartKind } from './types.ts';
import { BODY, box, fine, FINE, grid, INK, line, ring, SHADE } from './pen.ts';

export interface Drawing {
  readonly part: string;
  /** Where dirt settles: a point for two uniform numbers, in the 200 × 150 frame. */
  readonly settle: (u: number, v: number) => readonly [number, number];
  readonly dirt: 'dust' | 'lint' | 'grease' | 'slime';
}

const rows = (count: number, path: (i: number) => string) => Array.from({ length: count }, (_, i) => path(i)).join('');
const within =
  (x: number, y: number, width: number, height: number): Drawing['settle'] =>
  (u, v) => [x + u * width, y + v * height];
const disc =
  (x: number, y: number, radius: number): Drawing['settle'] =>
  (u, v) => {
    const a = u * 2 * Math.PI;
    return [x + Math.sqrt(v) * radius * Math.cos(a), y + Math.sqrt(v) * radius * Math.sin(a)];
  };

const DRAWINGS: Readonly<Record<string, Drawing>> = {
  'airHandler.returnFilter': {
    part: `${box(30, 22, 140, 106, 'rx="3"')}<path d="${Array.from({ length: 13 }, (_, i) => `M${40 + i * 10} 30l-4 92`).join('')}" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [36 + u * 128, 28 + v * 94],
    dirt: 'dust',
  },
  'dryer.lintScreen': {
    part: `${box(52, 14, 96, 122, 'rx="8"')}${grid(60, 22, 80, 106, 6)}<path d="M86 8h28v10h-28z" fill="${BODY}" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [62 + u * 76, 24 + v * 102],
    dirt: 'lint',
  },
  'dishwasher.filter': {
    part: `<path d="M66 36l8 92a26 9 0 0 0 52 0l8-92z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><ellipse cx="100" cy="36" rx="34" ry="11" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><path d="M72 60h56M73 76h54M75 92h50M76 108h48M80 46l5 86M92 48l2 88M108 48l-2 88M120 46l-5 86" stroke="${FINE}" stroke-width="1" fill="none"/>`,
    settle: (u, v) => [74 + u * 52, 44 + v * 88],
    dirt: 'grease',
  },
  'washer.drainPumpFilter': {
    part: `<path d="M40 60h72v42h-72z" fill="${BODY}" stroke="${INK}" stroke-width="3"/>${grid(44, 64, 64, 34, 9)}<circle cx="138" cy="81" r="32" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M132 55h12v52h-12z" fill="${SHADE}" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [42 + u * 70, 62 + v * 40],
    dirt: 'lint',
  },
  'washer.doorBoot': {
    part: `<path d="M14 134a92 92 0 0 1 172 0" fill="none" stroke="${INK}" stroke-width="30"/><path d="M14 134a92 92 0 0 1 172 0" fill="none" stroke="${BODY}" stroke-width="25"/><path d="M24 138a82 82 0 0 1 152 0M8 130a98 98 0 0 1 184 0" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => {
      const a = Math.PI * (1.12 + u * 0.76);
      const r = 84 + v * 18;
      return [100 + r * Math.cos(a), 166 + r * Math.sin(a)];
    },
    dirt: 'slime',
  },
  'refrigerator.doorSeals': {
    part: `${box(40, 14, 120, 122, 'rx="10"')}<rect x="52" y="26" width="96" height="98" rx="5" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><path d="M46 20h108v110h-108z" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => (u < 0.5 ? [43 + v * 8, 20 + u * 2 * 110] : [46 + (u - 0.5) * 2 * 108, 124 + v * 9]),
    dirt: 'grease',
  },
  'refrigerator.waterFilter': {
    part: `<rect x="66" y="34" width="68" height="104" rx="14" fill="${BODY}" stroke="${INK}" stroke-width="3"/><rect x="80" y="14" width="40" height="22" rx="4" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><path d="M66 62h68M66 118h68" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [72 + u * 56, 40 + v * 92],
    dirt: 'slime',
  },
  'dishwasher.doorSeal': {
    part: `<path d="M22 24h156v96H22z" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><path d="M30 32h140v80H30z" fill="none" stroke="${BODY}" stroke-width="10"/><path d="M30 32h140v80H30z" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) =>
      u < 0.6 ? [26 + (u / 0.6) * 148, 108 + v * 9] : [u < 0.8 ? 26 + v * 9 : 165 + v * 9, 32 + ((u - 0.6) / 0.4) * 78],
    dirt: 'grease',
  },
  'dishwasher.interiorWash': {
    part: `${box(26, 16, 148, 118, 'rx="8"')}<path d="M26 48h148M26 100h148" stroke="${FINE}" stroke-width="2"/><path d="M60 76h80M100 70v12" stroke="${INK}" stroke-width="3"/><ellipse cx="100" cy="122" rx="18" ry="6" fill="#cfd8d5" stroke="${INK}" stroke-width="2"/>`,
    settle: (u, v) => [32 + u * 136, 22 + v * 106],
    dirt: 'grease',
  },
  'washer.drawer': {
    part: `<path d="M24 54h152l-12 62H36z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M24 54h152v-14H24zM76 56l4 58M126 56l-4 58" fill="none" stroke="${INK}" stroke-width="2"/><path d="M40 68h30M86 68h30M132 68h30" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [40 + u * 120, 58 + v * 54],
    dirt: 'slime',
  },
  'washer.tub': {
    part: `<circle cx="100" cy="75" r="62" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="48" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M100 32v24M63 97l21-12M137 97l-21-12" stroke="${FINE}" stroke-width="5"/><circle cx="100" cy="75" r="12" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => {
      const a = u * 2 * Math.PI;
      const r = 8 + Math.sqrt(v) * 38;
      return [100 + r * Math.cos(a), 75 + r * Math.sin(a)];
    },
    dirt: 'slime',
  },
  'hood.greaseFilter': {
    part: `${box(34, 18, 132, 114, 'rx="4"')}<path d="${Array.from({ length: 11 }, (_, i) => `M40 ${28 + i * 9}l120 8`).join('')}" stroke="${FINE}" stroke-width="2"/><path d="M88 18h24v8H88z" fill="${SHADE}" stroke="${INK}" stroke-width="2"/>`,
    settle: (u, v) => [40 + u * 120, 24 + v * 102],
    dirt: 'grease',
  },
  'airHandler.floatSwitch': {
    part: `<path d="M30 96h140v34H30z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><path d="M100 96V40M100 40h34" stroke="${INK}" stroke-width="3" fill="none"/><rect x="84" y="62" width="32" height="26" rx="8" fill="${SHADE}" stroke="${INK}" stroke-width="3"/><path d="M36 112h128" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [36 + u * 128, 104 + v * 22],
    dirt: 'slime',
  },
  'airHandler.coolingCheck': {
    part: `${box(40, 34, 120, 82, 'rx="4"')}<path d="M52 52h96M52 66h96M52 80h96M52 94h96" stroke="${INK}" stroke-width="3"/>`,
    settle: (u, v) => [46 + u * 108, 42 + v * 66],
    dirt: 'dust',
  },
  'airHandler.condensateDrain': {
    part: `<path d="M20 70h60v-46h34v46h66v36h-160z" fill="${BODY}" stroke="${INK}" stroke-width="3"/><ellipse cx="97" cy="24" rx="17" ry="6" fill="#cfd8d5" stroke="${INK}" stroke-width="3"/><path d="M26 96h148" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => [26 + u * 148, 88 + v * 15],
    dirt: 'slime',
  },
  'dryer.duct': {
    part: `<circle cx="100" cy="75" r="58" fill="${BODY}" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="44" fill="#cfd8d5" stroke="${INK}" stroke-width="3"/><circle cx="100" cy="75" r="30" fill="none" stroke="${FINE}" stroke-width="2"/><circle cx="100" cy="75" r="18" fill="none" stroke="${FINE}" stroke-width="2"/>`,
    settle: (u, v) => {
      const a = u * 2 * Math.PI;
      const r = 43 - v * v * 36;
      return [100 + r * Math.cos(a), 75 + r * Math.sin(a)];
    },
    dirt: 'lint',
  },
  'airHandler.mediaFilter': {
    part: `${box(26, 18, 148, 114, 'rx="3"')}<path d="M26 30l22-12M174 30l-22-12" stroke="${INK}" stroke-width="2"/>${fine(rows(9, (i) => `M${36 + i * 16} 26l8 52l-8 48`))}`,
    settle: within(34, 26, 132, 100),
    dirt: 'dust',
  },
  'airHandler.registers': {
    part: `${box(26, 30, 148, 90, 'rx="4"')}${line(rows(7, (i) => `M36 ${42 + i * 11}h128`))}`,
    settle: within(34, 38, 132, 74),
    dirt: 'dust',
  },
  'airHandler.condensateTrap': {
    part: line('M24 34h40v40a36 30 0 0 0 72 0V50h40v-26', 'none') + line('M24 60h16v14a60 54 0 0 0 120 0v-14', 'none'),
    settle: (u, v) => {
      const a = Math.PI * (0.08 + u * 0.84);
      const r = 40 + v * 14;
      return [100 + r * Math.cos(a), 74 + r * Math.sin(a)];
    },
    dirt: 'slime',
  },
  'outdoorUnit.coil': {
    part: `${box(28, 14, 144, 122, 'rx="6"')}${fine(rows(22, (i) => `M${36 + i * 6} 22v106`))}`,
    settle: within(34, 20, 132, 110),
    dirt: 'lint',
  },
  'contractor.visit': {
    part: `<path d="M56 12h66l26 26v100H56z" fill="${BODY}" stroke="${INK}" stroke-width="3"/>${line('M122 12v26h26')}${fine('M70 60h64M70 76h64M70 92h40')}${line('M74 116l10 10 20-24')}`,
    settle: within(70, 54, 64, 44),
    dirt: 'dust',
  },
  'thermostat.battery': {
    part: `${box(40, 22, 120, 106, 'rx="10"')}${box(58, 40, 84, 26, 'rx="6"')}${box(58, 84, 84, 26, 'rx="6"')}${fine('M66 53h12M72 47v12M124 53h10M66 97h12M72 91v12M124 97h10')}`,
    settle: within(58, 40, 84, 70),
    dirt: 'dust',
  },
  'airCleaner.preFilter': {
    part: `${box(30, 14, 140, 122, 'rx="6"')}${grid(36, 20, 128, 110, 9)}`,
    settle: within(38, 22, 124, 106),
    dirt: 'lint',
  },
  'airCleaner.ioniser': {
    part: `${box(30, 18, 140, 114, 'rx="5"')}${fine(rows(8, (i) => `M${44 + i * 16} 24v102`))}${line('M30 44h140M30 106h140')}`,
    settle: within(38, 26, 124, 98),
    dirt: 'dust',
  },
  'airCleaner.needles': {
    part: `${box(26, 92, 148, 30, 'rx="5"')}${line(rows(12, (i) => `M${36 + i * 12} 92V48`))}`,
    settle: (u, v) => [36 + Math.floor(u * 12) * 12 + (v - 0.5) * 8, 44 + v * 34],
    dirt: 'dust',
  },
  'airCleaner.catalyst': {
    part: `${box(34, 18, 132, 114, 'rx="4"')}${grid(38, 22, 124, 106, 7)}<path d="M34 18l132 114" stroke="${FINE}"/>`,
    settle: within(40, 24, 120, 102),
    dirt: 'dust',
  },
  'airCleaner.pleatedFilter': {
    part: `${box(24, 20, 152, 110, 'rx="3"')}${fine(rows(18, (i) => `M${32 + i * 8} 26l4 49l-4 49`))}`,
    settle: within(30, 26, 140, 98),
    dirt: 'dust',
  },
  'airCleaner.sensorInlet': {
    part: `${box(52, 36, 96, 78, 'rx="12"')}${line(rows(5, (i) => `M66 ${52 + i * 11}h68`))}`,
    settle: within(62, 46, 76, 58),
    dirt: 'dust',
  },
  'hood.housing': {
    part:
      box(22, 22, 156, 106, 'rx="4"') +
      ring(100, 75, 40, SHADE) +
      line('M100 75c10-26 26-22 22-6M100 75c-26 6-26 24-8 26M100 75c-12-18 0-36 12-28'),
    settle: within(28, 28, 144, 94),
    dirt: 'grease',
  },
  'hood.charcoalFilter': {
    part: ring(100, 75, 58) + grid(60, 34, 80, 82, 8) + ring(100, 75, 12, SHADE),
    settle: disc(100, 75, 52),
    dirt: 'grease',
  },
  'bathFan.grille': {
    part: `${box(40, 15, 120, 120, 'rx="14"')}${line(rows(8, (i) => `M56 ${34 + i * 12}h88`))}`,
    settle: within(50, 28, 100, 94),
    dirt: 'lint',
  },
  'bathFan.motor': {
    part:
      ring(100, 75, 60, SHADE) +
      ring(100, 75, 44) +
      line(
        rows(8, (i) => {
          const a = (i * Math.PI) / 4;
          return `M${Math.round(100 + 14 * Math.cos(a))} ${Math.round(75 + 14 * Math.sin(a))}Q${Math.round(100 + 30 * Math.cos(a + 0.3))} ${Math.round(75 + 30 * Math.sin(a + 0.3))} ${Math.round(100 + 42 * Math.cos(a))} ${Math.round(75 + 42 * Math.sin(a))}`;
        }),
      ) +
      ring(100, 75, 13),
    settle: disc(100, 75, 54),
    dirt: 'lint',
  },
  'dryer.transitionHose': {
    part:
      line('M22 96a78 70 0 0 1 156 0l-34 0a44 38 0 0 0-88 0z', BODY) +
      fine(
        rows(9, (i) => {
          const a = Math.PI * (1.06 + i * 0.11);
          return `M${Math.round(100 + 46 * Math.cos(a))} ${Math.round(98 + 42 * Math.sin(a))}L${Math.round(100 + 76 * Math.cos(a))} ${Math.round(98 + 68 * Math.sin(a))}`;
        }),
      ),
    settle: (u, v) => {
      const a = Math.PI * (1.02 + u * 0.96);
      const r = 46 + v * 26;
      return [100 + r * Math.cos(a), 98 + r * 0.9 * Math.sin(a)];
    },
    dirt: 'lint',
  },
  'dryer.slot': {
    part: `${box(18, 40, 164, 70, 'rx="8"')}<rect x="44" y="58" width="112" height="34" rx="5" fill="#b9c2bf" stroke="${INK}" stroke-width="3"/>`,
    settle: within(48, 60, 104, 30),
    dirt: 'lint',
  },
  'dryer.outdoorHood': {
    part: line('M40 30h120l16 76H24z', BODY) + line('M36 106h128v24H36z', SHADE) + fine('M40 118h120'),
    settle: within(38, 96, 124, 34),
    dirt: 'lint',
  },
  'dryer.drumSeal': {
    part: ring(100, 75, 62, SHADE) + ring(100, 75, 46) + ring(100, 75, 38, '#cfd8d5'),
    settle: (u, v) => {
      const a = u * 2 * Math.PI;
      const r = 42 + v * 16;
      return [100 + r * Math.cos(a), 75 + r * Math.sin(a)];
    },
    dirt: 'lint',
  },
  'dryer.cabinet': {
    part: `${box(34, 12, 132, 96, 'rx="5"')}${fine(rows(6, (i) => `M${56 + i * 16} 26v26`))}${line('M10 118h180')}`,
    settle: within(14, 98, 172, 34),
    dirt: 'lint',
  },
  'condenserDryer.condenser': {
    part: `${box(28, 26, 144, 98, 'rx="5"')}${fine(rows(10, (i) => `M34 ${36 + i * 9}h132`))}${line('M28 60h-10M28 96h-10')}`,
    settle: within(34, 32, 132, 86),
    dirt: 'lint',
  },
  'condenserDryer.bay': {
    part: `${box(24, 24, 152, 102, 'rx="6"')}<path d="M40 40h120v70H40z" fill="#b9c2bf" stroke="${INK}" stroke-width="3"/><path d="M40 110l-14 14M160 110l14 14" stroke="${FINE}" stroke-width="2"/>`,
    settle: within(44, 84, 112, 34),
    dirt: 'lint',
  },
  'washer.lintTrap': {
    part: line('M58 20h84l-10 60a32 44 0 0 1-64 0z', BODY) + grid(64, 30, 72, 80, 8) + line('M58 20h84'),
    settle: within(66, 40, 68, 74),
    dirt: 'lint',
  },
  'dishwasher.sump': {
    part: ring(100, 75, 60, SHADE) + ring(100, 75, 38, '#b9c2bf') + line('M100 58v34M86 68l28 14M86 82l28-14'),
    settle: disc(100, 75, 40),
    dirt: 'grease',
  },
  'dishwasher.sprayArms': {
    part:
      line('M18 66a12 12 0 0 1 12-12l58 6h24l58-6a12 12 0 0 1 0 42l-58-6h-24l-58 6a12 12 0 0 1-12-12z', BODY) +
      ring(100, 75, 13, SHADE) +
      [34, 54, 72, 128, 146, 166].map((x) => ring(x, 75, 3.5, '#b9c2bf')).join(''),
    settle: (u, v) => [[34, 54, 72, 128, 146, 166][Math.floor(u * 6)]! + (v - 0.5) * 14, 69 + ((u * 97) % 1) * 14],
    dirt: 'slime',
  },
  'dishwasher.racks': {
    part:
      line('M24 110h152M24 110V70M176 110V70M24 70h152') +
      line(rows(9, (i) => `M${38 + i * 15.5} 110V40`)) +
      ring(44, 124, 8) +
      ring(156, 124, 8),
    settle: (u, v) => [38 + Math.floor(u * 9) * 15.5 + (v - 0.5) * 6, 42 + ((u * 61) % 1) * 66],
    dirt: 'grease',
  },
  'dishwasher.drainPump': {
    part: `${box(26, 20, 148, 110, 'rx="8"')}<path d="M26 84h148v46H26z" fill="#cfdedc"/>${line('M26 84c20-8 30 8 50 0s30 8 50 0s28 6 48 0')}`,
    settle: within(32, 88, 136, 38),
    dirt: 'grease',
  },
  'refrigerator.coil': {
    part: `${box(22, 22, 156, 106, 'rx="4"')}${line('M34 36h120a8 8 0 0 1 0 19H44a8 8 0 0 0 0 19h110a8 8 0 0 1 0 19H44a8 8 0 0 0 0 19h122')}`,
    settle: within(32, 30, 138, 90),
    dirt: 'lint',
  },
  'refrigerator.iceMaker': {
    part: line('M70 20h60v40l-12 22h-36L70 60z', BODY) + line('M90 82v12M110 82v12') + box(46, 104, 108, 28, 'rx="5"'),
    settle: (u, v) => (u < 0.6 ? [78 + (u / 0.6) * 44, 64 + v * 30] : [52 + ((u - 0.6) / 0.4) * 96, 108 + v * 20]),
    dirt: 'slime',
  },
  'refrigerator.defrostDrain': {
    part:
      box(24, 60, 152, 66, 'rx="8"') + ring(100, 90, 12, '#b9c2bf') + line('M100 20v40M88 34h24') + fine('M34 74h132'),
    settle: within(40, 66, 120, 54),
    dirt: 'slime',
  },
  'refrigerator.temperatures': {
    part: box(88, 14, 24, 96, 'rx="12"') + ring(100, 118, 20, SHADE) + fine('M116 30h14M116 48h14M116 66h14M116 84h14'),
    settle: within(40, 120, 120, 20),
    dirt: 'dust',
  },
  'disposer.clean': {
    part:
      ring(100, 75, 62, SHADE) +
      ring(100, 75, 44, '#b9c2bf') +
      line(
        rows(8, (i) => {
          const a = (i * Math.PI) / 4;
          return `M${Math.round(100 + 12 * Math.cos(a))} ${Math.round(75 + 12 * Math.sin(a))}L${Math.round(100 + 42 * Math.cos(a))} ${Math.round(75 + 42 * Math.sin(a))}`;
        }),
      ),
    settle: disc(100, 75, 46),
    dirt: 'grease',
  },
  'drains.dose': {
    part:
      line('M16 40h168l-20 78a12 12 0 0 1-10 8H46a12 12 0 0 1-10-8z', BODY) +
      ring(100, 96, 18, '#b9c2bf') +
      line('M92 88v16M100 86v20M108 88v16') +
      line('M70 40v-18h34v10'),
    settle: (u, v) => {
      const a = u * 2 * Math.PI;
      const r = 4 + v * 26;
      return [100 + r * Math.cos(a), 96 + r * 0.7 * Math.sin(a)];
    },
    dirt: 'slime',
  },
};

/** Parts that look like another. */
const LOOKS_LIKE: Readonly<Record<string, string>> = {
  'condenserDryer.fluffFilter': 'dryer.lintScreen',
  'condenserDryer.drumSeal': 'dryer.drumSeal',
  'washerDryer.drainPumpFilter': 'washer.drainPumpFilter',
  'washerDryer.doorBoot': 'washer.doorBoot',
  'washerDryer.condenser': 'condenserDryer.condenser',
  'refrigerator.rearFan': 'bathFan.motor',
  'freezer.temperature': 'refrigerator.temperatures',
};

/** Parts of machines that an office has defined are drawn as one of their kind. */
const OF_KIND: Readonly<Record<PartKind, string>> = {
  filter: 'airHandler.returnFilter',
  screen: 'airCleaner.preFilter',
  seal: 'refrigerator.doorSeals',
  drain: 'airHandler.condensateDrain',
  coil: 'outdoorUnit.coil',
  duct: 'dryer.duct',
  fan: 'bathFan.motor',
  tub: 'washer.tub',
  sensor: 'airCleaner.sensorInlet',
};

/** @throws RangeError for a procedure whose part nobody has drawn */
export function drawingOf(procedure: string): Drawing {
  const kind = isDefined(procedure) ? kindOfPart(procedure) : null;
  const drawing = DRAWINGS[kind ? OF_KIND[kind] : (LOOKS_LIKE[procedure] ?? procedure)];
  if (!drawing) throw new RangeError(`no picture for ${procedure}`);
  return drawing;
}
