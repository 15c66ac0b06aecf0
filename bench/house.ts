/** A large register for measuring: 500 units, 30 points each, written as rows. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 } from 'uuid';
import { seeded } from '../core/statistics/random.ts';
import { dayOfInstant } from '../core/calendar/day.ts';
import { machineTypes } from '../core/catalogue/catalogue.ts';
import { typeNumber } from '../server/due/recompute.ts';
import { hashPassword } from '../server/people/passwords.ts';
import { openStore } from '../server/store/store.ts';
import type { Row } from '../server/store/tables.ts';
import { sized } from './page.ts';
import { organisationRow, personRow } from '../server/store/person.ts';

export const UNITS = sized(500, 20);
export const POINTS_A_UNIT = 30;
export const SIGN_IN = { email: 'bench@saltmarsh.example', password: 'a long password' };
const PROPERTIES = 10;

/** Makes the data folder and returns it with the organisation's id. */
export async function buildLarge(): Promise<{ data: string; organisationId: string }> {
  const data = mkdtempSync(join(tmpdir(), 'dewline-bench-'));
  const store = await openStore(join(data, 'dewline.sqlite'));
  const random = seeded(1);
  const now = Date.now();
  const today = dayOfInstant(now, 'Europe/Dublin');
  const organisationId = v7();
  const personId = v7();
  const passwordHash = await hashPassword(SIGN_IN.password);
  const types = [...machineTypes.values()];
  await store.write(async (db) => {
    await db.organisation.insert(organisationRow({ id: organisationId, name: 'Bench', createdAt: now }));
    await db.person.insert(
      personRow({ id: personId, organisationId, name: 'B. Ench', email: SIGN_IN.email, passwordHash, createdAt: now }),
    );
    await db.roleGrant.insert({ id: v7(), organisationId, personId, role: 'manager' });
    const places: Row<'place'>[] = [];
    const machines: Row<'machine'>[] = [];
    const points: Row<'point'>[] = [];
    const marks: Row<'mark'>[] = [];
    for (let p = 0; p < PROPERTIES; p += 1) {
      const propertyId = v7();
      await db.property.insert({
        id: propertyId,
        organisationId,
        name: `Court ${p + 1}`,
        address: 'Port Ellery',
        zone: 'Europe/Dublin',
        sort: p,
        createdAt: now,
      });
      for (const [name, value] of [
        ['water', { source: 'public', hardnessMgL: 140 }],
        ['practice', 'steady'],
      ] as const) {
        await db.fact.insert({
          id: v7(),
          organisationId,
          subjectId: propertyId,
          name,
          value: JSON.stringify(value),
          fromDay: 0,
          recordedAt: now,
          recordedBy: personId,
        });
      }
      for (let u = 0; u < UNITS / PROPERTIES; u += 1) {
        const placeId = v7();
        places.push({
          id: placeId,
          organisationId,
          propertyId,
          buildingId: null,
          kind: 'unit',
          name: `Flat ${u + 1}`,
          sort: u,
          createdAt: now,
        });
        let left = POINTS_A_UNIT;
        while (left > 0) {
          const type = types[machines.length % types.length]!;
          const machineId = v7();
          machines.push({
            id: machineId,
            organisationId,
            placeId,
            type: type.key,
            label: '',
            maker: '',
            model: '',
            installedDay: null,
            fuel: 'electric',
            owner: 'landlord',
            drainBranch: '',
            hardWired: 0,
            shutoffPhotoId: null,
            retiredDay: null,
            createdAt: now,
            number: machines.length + 1,
            leftOut: '[]',
            platePhotoId: null,
          });
          for (const procedure of type.points.slice(0, left)) {
            left -= 1;
            const id = v7();
            const number = points.length + 1;
            points.push({ id, organisationId, number, machineId, procedure, createdAt: now });
            const intervalDays = 20 + Math.floor(random() * 300);
            const used = random() ** 0.8 * 1.15;
            const noRecord = random() < 0.03;
            marks.push({
              pointId: id,
              organisationId,
              placeId,
              number,
              type: typeNumber(procedure),
              servedDay: noRecord ? 0 : today - Math.floor(intervalDays * used),
              intervalDays: noRecord ? 0 : intervalDays,
              capSlack: noRecord ? 0 : Math.floor(random() * 90),
              work: random() < 0.06 ? 1 : 0,
              evidence: 'proven',
              lineId: null,
              scheduled: 1,
              redrawAt: null,
            });
          }
        }
      }
    }
    const inParts = async <T>(rows: readonly T[], insert: (part: readonly T[]) => Promise<void>) => {
      for (let i = 0; i < rows.length; i += 500) await insert(rows.slice(i, i + 500));
    };
    await inParts(places, (part) => db.place.insertMany(part));
    await inParts(machines, (part) => db.machine.insertMany(part));
    await inParts(points, (part) => db.point.insertMany(part));
    await inParts(marks, (part) => db.mark.insertMany(part));
  });
  await store.close();
  return { data, organisationId };
}
