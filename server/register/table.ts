/** The register as a table: CSV in, and the same CSV out. */
import Papa from 'papaparse';
import { machinesDefinedBy } from '../../core/catalogue/defined.ts';
import { COLUMNS, neutralised } from '../../core/register/columns.ts';
import { namesOfKey } from '../../core/register/known.ts';
import { columnNames, partNames } from '../../core/register/wording.ts';
import type { Cells } from '../../core/register/rows.ts';
import type { KnownAnswer } from '../../contract/register/bulk.ts';
import type { Call } from '../context/context.ts';
import { firstZone } from '../lookup/zone.ts';
import { readContents } from './contents.ts';

/** What the register knows already, so that a table can be read against it before it is sent. */
export async function readKnown(call: Call): Promise<KnownAnswer> {
  const defined = machinesDefinedBy(call.actor.organisationId).map(({ procedures: _, type: _type, ...it }) => it);
  return { known: (await readContents(call)).known, defined, ...(await firstZone(call)) };
}

/** The whole register as CSV (RFC 4180), a machine a row; importing it into an empty install gives it back. */
export async function exportRegister(call: Call): Promise<string> {
  const { say } = call.env;
  const { known } = await readContents(call);
  const rows = Object.entries(known.units).flatMap(([key, { kind, building, tenancy, machines }]) => {
    const [property, unit] = namesOfKey(key);
    const home: Cells = { property, ...known.properties[property], building, unit, kind, ...tenancy };
    const own = Object.entries(machines);
    if (own.length === 0) return [home];
    return own.map(([machine, { leftOut, wired, ...cells }]): Cells => {
      const [type, label] = namesOfKey(machine);
      return {
        ...home,
        ...cells,
        machine: say.text(`machine.${type}`),
        label,
        wired: wired === 'yes' ? wired : '',
        leftOut: partNames(say, leftOut!),
      };
    });
  });
  const names = columnNames(say);
  const fields = COLUMNS.map((column) => names[column]);
  const data = rows.map((row) => COLUMNS.map((column) => neutralised(row[column] ?? '')));
  return `\uFEFF${Papa.unparse({ fields, data }, { newline: '\r\n' })}\r\n`;
}
