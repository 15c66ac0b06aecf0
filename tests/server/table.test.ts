import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { machineTypes } from '../../core/catalogue/machines.ts';
import { COLUMNS, neutralised, type Column } from '../../core/register/columns.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { openHouse, ZONE } from './house.ts';

const say = translator('en-GB', coreText);
const quoted = (cell: string) => `"${neutralised(cell).replaceAll('"', '""')}"`;

/** Texts that people write and spreadsheets dislike. */
const awkward = fc
  .oneof(
    fc.constantFrom(
      '=1+1',
      '+44 20',
      '-3',
      '@home',
      'Flat; 1',
      'The "Old" House',
      "O'Brien",
      'Zürich, Übersee',
      'a\nb',
      '\tTab',
      '日本',
      'x',
    ),
    fc.string({ minLength: 1, maxLength: 12 }),
  )
  .filter((text) => text.trim() !== '' && !/^'[=+\-@\t\r]/.test(text.trim()));

interface Home {
  readonly unit: string;
  readonly tenant: string | null;
  readonly machines: readonly { type: string; label: string; maker: string; branch: string; wired: string }[];
}

const machine = fc.record({
  type: fc.constantFrom(...machineTypes.keys()),
  label: fc.oneof(fc.constant(''), awkward),
  maker: awkward,
  branch: awkward,
  wired: fc.constantFrom('', 'yes', 'No'),
});
const home: fc.Arbitrary<Home> = fc.record({
  unit: awkward,
  tenant: fc.option(awkward),
  machines: fc.array(machine, { maxLength: 3 }),
});
const apart = (unit: string, tenant: string | null): Home => ({ unit, tenant, machines: [] });
const normal = (text: string) => text.trim().replace(/\s*[\r\n]+\s*/g, ' ');
const distinct = <T>(all: readonly T[], of: (it: T) => string) => new Set(all.map(of)).size === all.length;

function fileOf(property: string, homes: readonly Home[]): string {
  const rows = homes.flatMap(({ unit, tenant, machines }) =>
    (machines.length === 0 ? [null] : machines).map((it): Partial<Record<Column, string>> => ({
      property,
      unit,
      ...(tenant && { tenant, since: '2025-03-01', people: '2' }),
      ...(it && {
        machine: say(`machine.${it.type}`),
        label: it.label,
        maker: it.maker,
        branch: it.branch,
        wired: it.wired,
      }),
    })),
  );
  return [
    COLUMNS.map((column) => say(`column.${column}`)),
    ...rows.map((row) => COLUMNS.map((column) => row[column] ?? '')),
  ]
    .map((cells) => cells.map(quoted).join())
    .join('\r\n');
}

describe('A register as a table', function table() {
  it('goes out and comes in as the same, whatever people call their homes', async () => {
    const registers = fc
      .tuple(awkward, fc.array(home, { minLength: 1, maxLength: 4 }))
      .filter(
        ([, homes]) =>
          distinct(homes, ({ unit }) => normal(unit)) &&
          homes.every(({ machines }) => distinct(machines, ({ type, label }) => `${type} ${normal(label)}`)),
      );
    await fc.assert(
      fc.asyncProperty(registers, async ([property, homes]) => {
        const [first, second] = [await openHouse(), await openHouse()];
        try {
          await first.manager
            .post('/register/table', { csv: fileOf(property, homes), columns: COLUMNS, zone: ZONE })
            .expect(200);
          const out = (await first.manager.get('/register/table').expect(200)).text;
          await second.manager.post('/register/table', { csv: out, columns: COLUMNS, zone: ZONE }).expect(200);
          expect((await second.manager.get('/register/table').expect(200)).text).to.equal(out);
          expect(await second.env.store.db.machine.count({})).to.equal(
            homes.reduce((sum, { machines }) => sum + machines.length, 0),
          );
          expect(await second.env.store.db.machine.count({ hardWired: 1 })).to.equal(
            homes.flatMap(({ machines }) => machines).filter(({ wired }) => wired === 'yes').length,
          );
          expect((await second.env.store.db.property.one({}))!.name).to.equal(normal(property));
          // By cell: a comma inside one begins none.
          for (const cell of Papa.parse<string[]>(out.replace(/^\uFEFF/, ''), { delimiter: ',' }).data.flat())
            expect(cell).not.to.match(/^[=+@]/);
        } finally {
          await Promise.all([first.close(), second.close()]);
        }
      }),
      // The one that a guessed delimiter took apart.
      { numRuns: 25, examples: [[['Flat; 1', [apart('; ', ';+ '), apart('!', null)]]]] },
    );
  });
});
