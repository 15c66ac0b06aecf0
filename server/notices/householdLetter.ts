/** What a household reads: one letter for all that it is told at once, in its language. */
import { procedures } from '../../core/catalogue/catalogue.ts';
import { alarmSymptom } from '../../core/faults/alarms.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { MessageKind } from '../../contract/notices/messages.ts';
import type { Env } from '../context/context.ts';
import { lineOfMark } from '../../contract/due/due.ts';
import { machineName, placeInFull } from '../lookup/names.ts';
import type { Translator } from '../language/translator.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';
import { numbersOf } from './duty.ts';
import type { Open } from './openAskings.ts';
import { voiceFor } from './reader.ts';

export interface Letter {
  readonly heading: string;
  /** Its text; the link that opens the home stands in where it says so. */
  body(link: string): string;
}

const ALONE: readonly MessageKind[] = ['stopped', 'lifted', 'entry', 'entryOff', 'entryLate', 'entryMissed'];

/** What is about safety, or about somebody who comes: told alone, and until it is sure to have gone out. */
export const mustArrive = (kind: MessageKind): boolean => ALONE.includes(kind);

/** Requests by the ids of what messages are about: their own, and those of their jobs. */
export type OpenBySubject = ReadonlyMap<string, Open>;

/** The letter of some messages to one person: of one alone where it is about safety. */
export async function letterOf(
  env: Env,
  db: Db,
  person: Row<'person'>,
  messages: readonly Row<'message'>[],
  open: OpenBySubject,
): Promise<Letter> {
  const say = await voiceFor(env, db, person);
  const place = (await db.place.one({ id: messages[0]!.placeId }))!;
  const office = (await db.organisation.one({ id: person.organisationId }))!.name;
  const common = { name: person.name, place: place.name, office };
  const { kind: only } = messages[0]!;
  if (only === 'contracted') return contractedLetter(db, say, messages[0]!, common);
  if (only === 'entryMissed') return missedLetter(db, say, messages[0]!, { ...common, property: place.propertyId });
  if (only.startsWith('entry')) return entryLetter(db, say, messages[0]!, common);
  if (mustArrive(only)) return safetyLetter(db, say, messages[0]!, { ...common, property: place.propertyId });
  const machines = new Map((await db.machine.all({ placeId: place.id })).map((it) => [it.id, machineName(say, it)]));
  const paragraphs = [...grouped(messages, ({ kind }) => kind)].map(([kind, its]) => {
    const requests = its.map((it) => ({ it, request: open.get(it.subjectId) }));
    const lines = requests.flatMap(({ it, request }) => linesOf(say, machines, it, request)).join('\n');
    const days = requests.flatMap(({ request }) => (request ? [request.doBy] : []));
    return say('message.paragraph', {
      kind,
      lines,
      who: its[0]!.detail ?? '',
      day: days.length === 0 ? '' : say.day(Math.min(...days)),
    });
  });
  const first = messages[0]!;
  const parts = messages.flatMap(({ subjectId }) => open.get(subjectId)?.parts ?? []).length;
  return {
    heading: say('message.heading', {
      kind: first.kind,
      machine: '',
      ...common,
      count: parts,
      day: dayWords(say, open.get(first.subjectId)),
    }),
    body: (link) => say('message.letter', { ...common, paragraphs: paragraphs.join('\n\n'), link }),
  };
}

const dayWords = (say: Translator, request: Open | undefined): string => (request ? say.day(request.doBy) : '');

/** One line a machine, with its parts; of what was sent back with the reason. */
function linesOf(
  say: Translator,
  machines: ReadonlyMap<string, string>,
  { kind, subjectId }: Row<'message'>,
  request: Open | undefined,
): string[] {
  const parts = request?.parts ?? [];
  const theirs = kind === 'again' ? parts.filter(({ jobId, sentBack }) => jobId === subjectId && sentBack) : parts;
  return [...grouped(theirs, ({ jobId }) => jobId).values()].map((of) =>
    say('message.line', {
      machine: machines.get(of[0]!.machineId) ?? '',
      parts: say.list(of.map(({ procedure }) => say(`point.${procedure}`))),
      minutes: of.reduce((sum, { procedure }) => sum + (procedures.get(procedure)?.minutes ?? 0), 0),
      reason: (kind === 'again' && of.map(({ sentBack }) => sentBack).join(' ')) || 'none',
    }),
  );
}

async function safetyLetter(
  db: Db,
  say: Translator,
  { kind, subjectId }: Row<'message'>,
  { property, ...common }: { name: string; place: string; office: string; property: string },
): Promise<Letter> {
  const alarm = (await db.alarm.one({ id: subjectId }))!;
  const machine = machineName(say, (await db.machine.one({ id: alarm.machineId }))!);
  const numbers = await numbersOf(db, property);
  const words = {
    ...common,
    kind,
    machine,
    what: say(`symptom.${alarmSymptom(alarm.kind)}`),
    emergency: numbers.emergency || 'none',
    gas: numbers.gas || 'none',
  };
  return { heading: say('message.heading', { ...words, count: 0, day: '' }), body: () => say('message.safety', words) };
}

async function entryLetter(
  db: Db,
  say: Translator,
  { kind, subjectId }: Row<'message'>,
  common: { name: string; place: string; office: string },
): Promise<Letter> {
  const visit = (await db.visit.one({ id: subjectId }))!;
  const words = {
    ...common,
    kind,
    ...entryWords(say, visit),
    who: (await db.person.one({ id: visit.personId }))!.name,
    kept: String(visit.answer === 'kept'),
    agreed: String(visit.answer === 'agreed'),
  };
  return { heading: say('message.entry.heading', words), body: (link) => say('message.entry', { ...words, link }) };
}

/** A contractor is asked to come: to which machine, by when, and what proves it. */
async function contractedLetter(
  db: Db,
  say: Translator,
  { subjectId, turn }: Row<'message'>,
  common: { name: string; place: string; office: string },
): Promise<Letter> {
  const job = (await db.job.one({ id: subjectId }))!;
  const place = (await db.place.one({ id: job.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const tasks = await db.task.all({ jobId: job.id, state: 'outstanding' });
  const points = await db.point.all({ id: tasks.map(({ pointId }) => pointId) });
  const marks = (await db.mark.all({ pointId: points.map(({ id }) => id) })).filter(({ servedDay }) => servedDay > 0);
  const lines = marks.map((mark) => lineOfMark(mark).lineDay);
  const words = {
    ...common,
    place: placeInFull(place, property),
    machine: machineName(say, (await db.machine.one({ id: job.machineId }))!),
    what: say.list(points.map(({ procedure }) => say(`task.${procedure}`))),
    day: lines.length === 0 ? 'none' : say.day(Math.min(...lines)),
    again: String(turn > 0),
  };
  return {
    heading: say('message.contracted.heading', words),
    body: (link) => say('message.contracted', { ...words, link }),
  };
}

/** They came, and found nobody or no way in. */
async function missedLetter(
  db: Db,
  say: Translator,
  { kind, subjectId }: Row<'message'>,
  { property, ...common }: { name: string; place: string; office: string; property: string },
): Promise<Letter> {
  const mishap = (await db.mishap.one({ id: subjectId }))!;
  const { zone } = (await db.property.one({ id: property }))!;
  const numbers = await numbersOf(db, property);
  const words = {
    ...common,
    kind,
    why: mishap.kind,
    who: (await db.person.one({ id: mishap.personId }))!.name,
    at: say.time(mishap.at, zone),
    number: numbers.office || 'none',
  };
  return { heading: say('message.missed.heading', words), body: () => say('message.missed', words) };
}

/** Day, window and purpose of a visit, in words. */
export const entryWords = (say: Translator, visit: Row<'visit'>) => ({
  day: say.day(visit.day),
  from: say.clockTime(visit.fromMinute),
  until: say.clockTime(visit.untilMinute),
  purpose: visit.purpose,
});
