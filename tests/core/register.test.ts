import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { dayFromIso } from '../../core/calendar/day.ts';
import { machineTypeOf, machineTypes } from '../../core/catalogue/machines.ts';
import { mondayOf, spreadBaseline, type PointWithoutRecord } from '../../core/due/baseline.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { COLUMNS, matchColumns, neutralised, plainCell } from '../../core/register/columns.ts';
import { fingerprintOf } from '../../core/register/fingerprint.ts';
import { decoded, encodingOf } from '../../core/register/decode.ts';
import { keyOfMachine, keyOfUnit, type KnownRegister } from '../../core/register/known.ts';
import { rowReader, type Cells } from '../../core/register/rows.ts';
import { STARTERS } from '../../core/register/starters.ts';
import { columnNames, wordingOf } from '../../core/register/wording.ts';

const say = translator('en-GB', coreText);
const names = columnNames(say);
const EMPTY: KnownRegister = { properties: {}, units: {}, named: {} };
const reader = (known = EMPTY) =>
  rowReader(
    known,
    wordingOf(say, {
      zone: 'Europe/Dublin',
      today: dayFromIso('2026-11-24'),
      named: known.named,
      types: [...machineTypes.keys()],
    }),
  );
const home: Cells = { property: 'The Ropewalk', unit: 'Flat 1A', machine: 'Dishwasher' };
const wrongOf = (cells: Cells, known = EMPTY) =>
  reader(known)(cells, 2).problems.map(
    ({ column, key, values }) => `${column}: ${say(`row.${key}`, { column: names[column], ...values })}`,
  );

describe('The columns of a table', () => {
  it('are found under other heads, in any case, each once', () => {
    expect(
      matchColumns(
        ['Estate', 'FLAT', 'Appliance', 'Manufacturer', 'model no.', 'move-in date', 'Nonsense', 'apartment', ''],
        names,
      ),
    ).to.deep.equal(['property', 'unit', 'machine', 'maker', 'model', 'since', null, null, null]);
    expect(
      matchColumns(
        COLUMNS.map((column) => names[column]),
        names,
      ),
    ).to.deep.equal([...COLUMNS]);
  });
  it('neutralise what a spreadsheet would compute, and take it back, through CSV (RFC 4180, papaparse)', () => {
    expect(['=1+1', '+44 1', '-3', '@home', '\tx'].map((cell) => neutralised(cell)[0])).to.deep.equal([
      "'",
      "'",
      "'",
      "'",
      "'",
    ]);
    expect(neutralised("O'Brien")).to.equal("O'Brien");
    fc.assert(
      fc.property(fc.array(fc.string(), { minLength: 1, maxLength: 6 }), (cells) => {
        fc.pre(cells.some((cell) => cell.trim() !== ''));
        const back = Papa.parse<string[]>(Papa.unparse([cells.map(neutralised)], { newline: '\r\n' }), {
          delimiter: ',',
          newline: '\r\n',
        }).data[0]!.map(plainCell);
        // A mark that somebody wrote in front of a formula by hand means the same.
        expect(back.map(neutralised)).to.deep.equal(cells.map((cell) => neutralised(plainCell(neutralised(cell)))));
      }),
    );
  });
  it('come out of bytes in any encoding: a mark decides, else UTF-8, else what spreadsheets still write', () => {
    const text = 'Property;Unit\r\nCafé Müller;1';
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...[...text].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]),
    ]);
    expect(decoded(utf16)).to.deep.equal({ encoding: 'utf-16le', text });
    expect(decoded(new TextEncoder().encode(`\uFEFF${text}`))).to.deep.equal({ encoding: 'utf-8', text });
    expect(decoded(new Uint8Array([...text].map((c) => c.charCodeAt(0))))).to.deep.equal({
      encoding: 'windows-1252',
      text,
    });
    expect(encodingOf(new Uint8Array([0xfe, 0xff, 0, 65]))).to.equal('utf-16be');
    expect(encodingOf(new Uint8Array())).to.equal('utf-8');
  });
});

describe('A row of a table', () => {
  it('is a machine in a unit, by the names of the catalogue, whatever their punctuation', () => {
    const { row, problems } = reader()(
      {
        ...home,
        machine: 'washer  front LOAD',
        filterSize: '',
        fuel: 'Electric',
        wired: 'Yes',
        leftOut: 'Tub; washer.drawer',
        tenant: 'I. Marrable',
        since: '2025-02-01',
        people: '4',
      },
      2,
    );
    expect(problems).to.deep.equal([]);
    expect(row.machine).to.include({ type: 'washer', fuel: 'electric', hardWired: true, owner: 'landlord' });
    expect(row.machine!.leftOut).to.deep.equal(['washer.tub', 'washer.drawer']);
    expect(row.tenancy).to.deep.equal({
      name: 'I. Marrable',
      since: '2025-02-01',
      until: null,
      people: 4,
      pets: 0,
      cooking: 'average',
      loads: null,
    });
    expect(row.zone).to.equal('Europe/Dublin');
  });
  it('understands sizes in any notation and writes them in one', () => {
    expect(
      reader()({ ...home, machine: 'airHandler', filterSize: '400×625×25 mm' }, 2).row.machine!.filterSize,
    ).to.equal('15.5 × 24.5 × 1 in');
  });
  it('says what is wrong with each cell, and how it ought to be', () => {
    expect(wrongOf({ property: '', unit: '' })).to.deep.equal(['property: Property is empty.', 'unit: Unit is empty.']);
    expect(wrongOf({ ...home, machine: 'Toaster' })).to.deep.equal([
      'machine: “Toaster” is no machine of the catalogue. Write one of its names, like Washer, front load.',
    ]);
    expect(wrongOf({ ...home, machine: 'Air handler, 1-inch filter', filterSize: 'big' })[0]).to.contain('16 x 25 x 1');
    expect(wrongOf({ ...home, installed: '24/11/2026' })[0]).to.contain('2026-11-24');
    expect(wrongOf({ ...home, installed: '2027-01-01' })[0]).to.contain('still to come');
    expect(wrongOf({ ...home, fuel: 'gas' })[0]).to.contain('does not burn gas');
    expect(wrongOf({ ...home, wired: 'perhaps' })[0]).to.contain('none of yes, no');
    expect(reader()(home, 2).row.machine!.hardWired).to.equal(false);
    expect(
      wrongOf({ ...home, kind: 'attic', cooking: 'never', tenant: 'X', since: '2025-01-01', people: '0' }),
    ).to.have.length(3);
    expect(wrongOf({ ...home, zone: 'Moon/Base' })[0]).to.contain('Moon/Base');
    expect(wrongOf({ property: 'P', unit: '1', maker: 'Tidesse' })[0]).to.contain('the machine is empty');
    expect(wrongOf({ ...home, leftOut: 'Wings' })[0]).to.contain('no part');
    expect(wrongOf({ ...home, label: 'x'.repeat(61) })[0]).to.contain('60 characters');
    expect(wrongOf({ ...home, tenant: 'X' })).to.deep.equal(['since: Since is empty. A tenancy has a first day.']);
    expect(wrongOf({ ...home, tenant: 'X', since: '2025-02-01', until: '2025-01-01' })[0]).to.contain('before Since');
    expect(wrongOf({ ...home, by: 'J. Moss' })[0]).to.contain('Last done is empty');
    expect(wrongOf({ ...home, drains: '1.5' })[0]).to.contain('whole number');
  });
  it('is held against the rows before it: a unit is one thing, a machine stands once', () => {
    const read = reader();
    expect(read({ ...home, building: 'Long House' }, 2).problems).to.deep.equal([]);
    expect(read({ ...home, machine: 'washer', building: 'Short House' }, 3).problems).to.deep.equal([
      { column: 'building', key: 'differs', values: { name: 'Flat 1A', value: 'Short House', row: 2 } },
    ]);
    expect(read({ ...home, building: 'Long House' }, 4).problems[0]).to.deep.include({
      key: 'twice',
      values: { name: 'Flat 1A', row: 2 },
    });
    expect(read({ ...home, label: 'The other one' }, 5).problems).to.deep.equal([]);
  });
  it('is held against the register as it stands', () => {
    const known: KnownRegister = {
      named: {},
      properties: {
        'The Ropewalk': { address: '2 Hawser Lane', zone: 'Europe/Lisbon', waterSource: 'well', hardness: '90' },
      },
      units: {
        [keyOfUnit('The Ropewalk', 'Flat 1A')]: {
          kind: 'shared',
          building: 'Long House',
          tenancy: { tenant: 'E. Pellow', since: '2024-03-01', until: '', people: '2', pets: '0', cooking: 'average' },
          next: null,
          last: null,
          machines: {
            [keyOfMachine('dishwasher', '')]: { maker: 'Tidesse', model: '', fuel: 'electric', wired: 'no' },
          },
        },
      },
    };
    const changes = (cells: Cells) => reader(known)({ ...home, ...cells }, 2).changes;
    // What it says alike, or not at all, changes nothing.
    expect(changes({ building: 'Long House', tenant: 'e. pellow', maker: 'Tidesse' })).to.deep.equal({
      property: [],
      unit: [],
      tenancy: null,
      machine: [],
      problems: [],
    });
    expect(changes({ building: 'Hut', hardness: '120', model: 'T4', people: '3', tenant: 'E. Pellow' })).to.deep.equal({
      property: [{ column: 'hardness', was: '90', becomes: '120' }],
      unit: [{ column: 'building', was: 'Long House', becomes: 'Hut' }],
      tenancy: { step: 'changes', which: 'tenancy', cells: [{ column: 'people', was: '2', becomes: '3' }] },
      machine: [{ column: 'model', was: '', becomes: 'T4' }],
      problems: [],
    });
    expect(changes({ tenant: 'X', since: '2026-12-01' }).tenancy).to.deep.include({
      step: 'begins',
      ends: 'E. Pellow',
    });
    expect(wrongOf({ ...home, tenant: 'X', since: '2024-03-01' }, known)[0]).to.contain('Since must be later');
    expect(wrongOf({ ...home, tenant: 'E. Pellow', since: '2026-12-30' }, known)[0]).to.contain('can not lie ahead');
    expect(wrongOf({ ...home, kind: 'unit' }, known)[0]).to.contain('does not change');
    expect(wrongOf({ ...home, machine: 'Slow Cooker' }, { ...known, named: { slowcooker: null } })).to.deep.equal([]);
    expect(
      reader({ ...known, named: { dishes: 'dishwasher' } })({ ...home, machine: 'Dishes' }, 2).row.machine!.type,
    ).to.equal('dishwasher');
    const { row } = reader(known)({ ...home, machine: 'washer' }, 2);
    expect(row).to.include({ zone: 'Europe/Lisbon', waterSource: 'well', hardness: 90, kind: 'shared' });
  });
  it('never throws, whatever stands in it', () => {
    const cells = fc.dictionary(
      fc.constantFrom(...COLUMNS),
      fc.oneof(fc.string(), fc.constantFrom('2026-02-30', '=cmd', '-1', 'gas', '16x25x1', '\n"')),
    );
    fc.assert(
      fc.property(fc.array(cells, { maxLength: 6 }), (rows) => {
        const read = reader();
        rows.forEach((row, i) => {
          for (const { column, key, values } of read(row, i + 2).problems)
            say(`row.${key}`, { column: names[column], ...values });
        });
      }),
    );
  });
});

describe('A fingerprint', () => {
  it('is whole, of 53 bits, and the same for the same text', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(Number.isSafeInteger(fingerprintOf(text))).to.equal(true);
        expect(fingerprintOf(text)).to.be.at.least(0);
        expect(fingerprintOf(`${text}`)).to.equal(fingerprintOf(text));
      }),
    );
  });
  it('tells two hundred thousand texts that differ in a digit from each other', () => {
    const prints = new Set(
      Array.from({ length: 200_000 }, (_, i) => fingerprintOf(`Long Court ${i % 40}\nFlat ${i}\nwasher\n`)),
    );
    expect(prints.size).to.equal(200_000);
  });
  it('uses its bits evenly', () => {
    const ones = Array.from({ length: 53 }, () => 0);
    for (let i = 0; i < 4000; i += 1) {
      let print = BigInt(fingerprintOf(`Flat ${i}`));
      for (let bit = 0; bit < 53; bit += 1) {
        ones[bit]! += Number(print & 1n);
        print >>= 1n;
      }
    }
    for (const count of ones) expect(count).to.be.within(1800, 2200);
  });
});

describe('Starting templates', () => {
  it('stand on machines of the catalogue that keep some of their parts, in words', () => {
    for (const { key, machines } of STARTERS) {
      say(`starter.${key}`);
      for (const { type, leftOut } of machines) {
        const { points } = machineTypeOf(type);
        for (const part of leftOut ?? []) expect(points).to.include(part);
        expect(points.length).to.be.above(leftOut?.length ?? 0);
      }
    }
    // A property of such flats has nine machines each.
    expect(STARTERS.find(({ key }) => key === 'twoBed')!.machines).to.have.length(9);
  });
});

describe('A baseline', () => {
  const unlogged = fc.record({
    place: fc.integer({ min: 0, max: 8 }),
    machine: fc.integer({ min: 0, max: 2 }),
    riskWeight: fc.integer({ min: 1, max: 5 }),
    safetyCritical: fc.boolean(),
    minutes: fc.integer({ min: 5, max: 60 }),
  });
  const points = fc
    .array(unlogged, { maxLength: 60 })
    .map((all) =>
      all.map(({ place, machine, ...it }, i): PointWithoutRecord => ({
        ...it,
        pointId: `p${i}`,
        placeId: `h${place}`,
        machineId: `h${place}m${machine}`,
      })),
    );

  it('begins its weeks on Mondays', () => {
    expect(mondayOf(dayFromIso('2026-11-24'))).to.equal(dayFromIso('2026-11-23'));
    expect(mondayOf(dayFromIso('2026-11-23'))).to.equal(dayFromIso('2026-11-23'));
    expect(mondayOf(dayFromIso('2026-11-29'))).to.equal(dayFromIso('2026-11-23'));
  });
  it('gives every point a week, machines whole, the worst risk never after a lesser one', () => {
    fc.assert(
      fc.property(points, fc.integer({ min: 1, max: 12 }), (all, weeks) => {
        const week = spreadBaseline(all, weeks);
        expect([...week.keys()].sort()).to.deep.equal(all.map(({ pointId }) => pointId).sort());
        const machines = new Map<string, { weeks: Set<number>; risk: number }>();
        for (const { pointId, machineId, riskWeight, safetyCritical } of all) {
          const it = machines.get(machineId) ?? { weeks: new Set(), risk: 0 };
          it.weeks.add(week.get(pointId)!);
          machines.set(machineId, { ...it, risk: Math.max(it.risk, riskWeight + (safetyCritical ? 0.5 : 0)) });
        }
        for (const { weeks: of } of machines.values()) expect(of.size).to.equal(1);
        const sorted = [...machines.values()]
          .sort((a, b) => b.risk - a.risk)
          .map(({ weeks: of, risk }) => ({ week: [...of][0]!, risk }));
        for (const a of sorted) for (const b of sorted) if (a.risk > b.risk) expect(a.week).to.be.at.most(b.week);
      }),
    );
  });
  it('is even: no week is more than one sitting from its share', () => {
    fc.assert(
      fc.property(points, fc.integer({ min: 1, max: 8 }), (all, weeks) => {
        const week = spreadBaseline(all, weeks);
        const minutes = Array.from({ length: weeks }, (_, w) =>
          all.filter(({ pointId }) => week.get(pointId) === w).reduce((sum, it) => sum + it.minutes, 0),
        );
        const share = minutes.reduce((sum, it) => sum + it, 0) / weeks;
        const sittings = new Map<string, number>();
        for (const it of all) sittings.set(it.machineId, (sittings.get(it.machineId) ?? 0) + it.minutes);
        const largest = Math.max(0, ...sittings.values());
        for (const it of minutes) expect(Math.abs(it - share)).to.be.at.most(largest + 1e-9);
      }),
    );
  });
  it('refuses no weeks at all', () => {
    expect(() => spreadBaseline([], 0)).to.throw(RangeError);
  });
});
