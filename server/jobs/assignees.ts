/**
 * Who may be given a job: the tenants of the place for tenant work within their budget, staff and managers for staff
 * work too, and for a licensed trade's those of them who hold the licence.
 */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { PRACTISED } from '../../core/due/burden.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import type { PointAnswer } from '../../contract/due/due.ts';
import { holdOf } from '../lookup/hold.ts';
import type { Call } from '../context/context.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { budgetUse, fitsBudget } from './budget.ts';
import { lookingAfter } from '../lookup/looksAfter.ts';
import { findPlace } from '../lookup/places.ts';
import type { Row } from '../store/tables.ts';
import { tenancyOn } from '../lookup/tenancies.ts';

/** Who may be given work here, each with what of their month is left. */
export async function assigneesFor(
  call: Call,
  placeId: string,
  procedures: readonly Procedure[],
): Promise<PointAnswer['assignees']> {
  const { db, actor } = call;
  const unlicensed = procedures.every(({ level }) => level !== 'licensed');
  const { propertyId } = await findPlace(call, placeId);
  const grants = await db.roleGrant.all({ organisationId: actor.organisationId, role: ['staff', 'manager'] });
  const here = await lookingAfter(db, propertyId, [...new Set(grants.map(({ personId }) => personId))]);
  const staff = await db.person.all({ id: [...here] }, { order: [['name', 'ASC']] });
  const mine = staff.filter(({ id }) => id === actor.personId);
  const others = staff.filter(
    ({ id }) => id !== actor.personId && grants.some(({ personId, role }) => personId === id && role === 'staff'),
  );
  const inOffice = ({ id, name, level }: Row<'person'>, role: 'staff' | 'me') => ({
    id,
    name,
    role,
    may: unlicensed || level === 'licensed',
    budget: null,
    left: null,
    pace: PRACTISED,
  });
  return [
    ...(await tenantFor(call, placeId, procedures)),
    ...others.map((it) => inOffice(it, 'staff')),
    ...mine.map((it) => inOffice(it, 'me')),
  ];
}

/** The tenant, with what is left of this month's budget. */
async function tenantFor(
  { db, now, env: { say } }: Call,
  placeId: string,
  procedures: readonly Procedure[],
): Promise<PointAnswer['assignees']> {
  const tenancy = await tenancyOn(db, placeId, now);
  const tenant = tenancy && (await db.person.one({ id: tenancy.personId }));
  if (!tenancy || !tenant) return [];
  const zone = await zoneOfPlace(db, placeId);
  if (await holdOf(db, placeId, dayOfInstant(now, zone))) return [];
  const use = await budgetUse(db, tenancy, now, zone);
  const forTenant = procedures.every(({ level }) => level === 'tenant');
  const fits = fitsBudget(use, procedures.reduce((sum, { minutes }) => sum + minutes, 0) * use.pace);
  return [
    {
      id: tenant.id,
      name: tenant.name,
      role: 'tenant',
      may: forTenant && fits,
      budget: say('budget.use', { ...use }),
      left: use.usedJobs === 0 ? null : use.minutes - use.usedMinutes,
      pace: use.pace,
    },
  ];
}
