/** Who is on duty, how they are reached, and the numbers that a doer is shown. */
import type { ChangeDuty, ChangeNumbers, DutyAnswer, EmergencyNumbers } from '../../contract/faults/alarms.ts';
import { officeOf } from '../lookup/find.ts';
import { findScope } from '../lookup/scope.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import type { FactValues } from '../store/factValues.ts';

export type Duty = FactValues['duty'];

/** Our assumption: whoever is called has ten minutes before the next is. */
const NOBODY: Duty = { people: [], minutes: 10, webhook: null };

/** Who is called, and the way to them. */
export interface OnDuty {
  readonly duty: Duty;
  readonly mail: FactValues['mail'];
}

/** Who is on duty, and how they are reached. */
export async function dutyOf(db: Db, organisationId: string): Promise<OnDuty> {
  const [duty, mail] = [
    (await factsOf(db, [organisationId], 'duty')).at(-1)?.value ?? NOBODY,
    (await factsOf(db, [organisationId], 'mail')).at(-1)?.value ?? null,
  ];
  return { duty, mail };
}

/** Whether an alarm reaches anybody: somebody is on duty, and there is a way to them. */
export const canCall = ({ duty, mail }: OnDuty): boolean =>
  duty.people.length > 0 && (mail !== null || duty.webhook !== null);

/** Whether letters can go out. */
export const canReach = ({ mail }: OnDuty): boolean => mail !== null;

const NO_NUMBERS: EmergencyNumbers = { emergency: '', gas: '', office: '' };

/** The numbers of some properties, each under its id. */
export async function numbersOfAll(db: Db, propertyIds: readonly string[]): Promise<Map<string, EmergencyNumbers>> {
  const known = new Map((await factsOf(db, propertyIds, 'numbers')).map(({ subjectId, value }) => [subjectId, value]));
  return new Map(propertyIds.map((id) => [id, known.get(id) ?? NO_NUMBERS]));
}

export const numbersOf = async (db: Db, propertyId: string): Promise<EmergencyNumbers> =>
  (await numbersOfAll(db, [propertyId])).get(propertyId)!;

/** Who is on duty, as the page that changes it shows it; secrets stay here. */
export async function readDuty(call: Call): Promise<DutyAnswer> {
  const {
    env,
    db,
    actor: { organisationId },
  } = call;
  const { duty, mail } = await dutyOf(db, organisationId);
  const people = (await officeOf(call)).map(({ id, name, email }) => ({
    id,
    name,
    email,
    onDuty: duty.people.includes(id),
  }));
  const order = (id: string) => (duty.people.includes(id) ? duty.people.indexOf(id) : people.length);
  return {
    people: people.sort((a, b) => order(a.id) - order(b.id)),
    minutes: duty.minutes,
    webhook: duty.webhook,
    mail: mail && {
      host: mail.host,
      port: mail.port,
      secure: mail.secure ? 'yes' : 'no',
      user: mail.user,
      hasPassword: mail.password !== '',
      from: mail.from,
    },
    letters: env.letters?.() ?? null,
  };
}

/**
 * Says who is on duty and how they are reached.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeDuty(call: Call, { people, minutes, webhook, mail }: ChangeDuty): Promise<object> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const known = await officeOf(call);
  if (new Set(people).size !== people.length || people.some((id) => !known.some((person) => person.id === id)))
    throw fieldProblem('people', 'field.oneOf');
  const { today } = await findScope(call, 'organisation', null);
  const before = (await dutyOf(db, organisationId)).mail;
  await recordFact(call, organisationId, 'duty', { people, minutes, webhook }, today);
  await recordFact(
    call,
    organisationId,
    'mail',
    mail && {
      host: mail.host,
      port: mail.port,
      secure: mail.secure === 'yes',
      user: mail.user,
      password: mail.password ?? before?.password ?? '',
      from: mail.from,
    },
    today,
  );
  return {};
}

/**
 * Says which numbers a property shows to whoever calls a machine unsafe.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeNumbers(call: Call, propertyId: string, numbers: ChangeNumbers): Promise<object> {
  const { subjectId, today } = await findScope(call, 'property', propertyId);
  await recordFact(call, subjectId, 'numbers', numbers, today);
  return {};
}

/** Tries the way to one's own mailbox, so that nobody finds out in an emergency. */
export async function tryMail({ env, db, actor, now }: Call): Promise<{ says: string }> {
  const { say } = env;
  const { mail } = await dutyOf(db, actor.organisationId);
  const me = await db.person.one({ id: actor.personId });
  if (!mail || !me?.email) return { says: say('duty.try.nothing') };
  try {
    await env.waysOut.mail(mail, {
      to: me.email,
      subject: say('duty.try.subject'),
      text: say('duty.try.text'),
      messageId: `<try-${now}-${actor.personId}@dewline>`,
    });
    return { says: say('duty.try.sent', { to: me.email }) };
  } catch (error) {
    return { says: say('duty.try.failed', { why: (error as Error).message.slice(0, 160) }) };
  }
}
