/** Who may be given a job: the tenants of the place for tenant work, staff and managers for staff work too. */
import type { Procedure } from '../../core/catalogue/types.ts';
import type { PointAnswer } from '../../contract/due.ts';
import type { Call } from '../env.ts';
import { tenancyOn } from '../register/tenancies.ts';

export async function assigneesFor({ db, actor, now }: Call, placeId: string, procedures: readonly Procedure[]): Promise<PointAnswer['assignees']> {
  const forTenant = procedures.every(({ level }) => level === 'T');
  const forStaff = procedures.every(({ level }) => level !== 'L');
  const tenancy = await tenancyOn(db, placeId, now);
  const tenant = tenancy && await db.person.one({ id: tenancy.personId });
  const grants = await db.roleGrant.all({ organisationId: actor.organisationId, role: ['staff', 'manager'] });
  const staff = await db.person.all({ id: [...new Set(grants.map(({ personId }) => personId))] }, { order: [['name', 'ASC']] });
  const mine = staff.filter(({ id }) => id === actor.personId);
  const others = staff.filter(({ id }) => id !== actor.personId && grants.some(({ personId, role }) => personId === id && role === 'staff'));
  return [
    ...(tenant ? [{ id: tenant.id, name: tenant.name, role: 'tenant' as const, may: forTenant }] : []),
    ...others.map(({ id, name }) => ({ id, name, role: 'staff' as const, may: forStaff })),
    ...mine.map(({ id, name }) => ({ id, name, role: 'me' as const, may: forStaff })),
  ];
}
