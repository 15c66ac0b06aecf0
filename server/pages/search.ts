/** Finding homes, people, machines, parts, jobs, faults and procedures by a part of their name. */
import { machineTypesOf, proceduresOf } from '../../core/catalogue/catalogue.ts';
import { ALL_SYMPTOMS } from '../../core/faults/symptoms.ts';
import type { FoundKind, FoundThing, Search, SearchAnswer } from '../../contract/pages/search.ts';
import type { Call } from '../context/context.ts';
import { isManager } from '../context/context.ts';
import { machineName } from '../lookup/names.ts';
import * as sql from '../sql/search.ts';

/** Of each kind; one more is asked for, to know that there is more. */
const SHOWN = 6;

/** What is called so, of everything that the caller may open; a number finds the label and the part of it first. */
export async function findAll(call: Call, { words }: Search): Promise<SearchAnswer> {
  const {
    db,
    actor,
    env: { say },
  } = call;
  const plain = words.toLowerCase();
  const called = (name: string) => name.toLowerCase().includes(plain);
  const sought: sql.Sought = {
    organisationId: actor.organisationId,
    like: `%${words.replace(/[\\%_]/g, '\\$&')}%`,
    number: /^\d{1,9}$/.test(words) ? Number(words) : -1,
    types: machineTypesOf(actor.organisationId)
      .map(({ key }) => key)
      .filter((type) => called(say.text(`machine.${type}`))),
    procedures: proceduresOf(actor.organisationId)
      .map(({ key }) => key)
      .filter((key) => called(say.text(`point.${key}`))),
    most: SHOWN + 1,
  };
  const symptoms = ALL_SYMPTOMS.map(({ key }) => key).filter((key) => called(say(`symptom.${key}`)));
  const [places, people, machines, parts, jobs, faults] = await Promise.all([
    sql.findPlaces(db, sought),
    isManager(actor) ? sql.findPeople(db, sought) : [],
    sql.findMachines(db, sought),
    sql.findParts(db, sought),
    sql.findJobs(db, sought),
    sql.findFaults(db, sought, symptoms),
  ]);
  const all: Record<FoundKind, Omit<FoundThing, 'kind'>[]> = {
    place: places.map(({ id, name, property }) => ({ name, about: property, path: `/homes/${id}` })),
    person: people.map(({ name, placeId, place }) => ({
      name,
      about: place ?? say('found.office'),
      path: placeId ? `/homes/${placeId}` : '/people',
    })),
    machine: machines.map((it) => ({
      name: machineName(say, it),
      about: [`${it.maker} ${it.model}`.trim(), it.place, say('found.label', { number: it.number })]
        .filter(Boolean)
        .join(' · '),
      path: `/m/${it.number}`,
    })),
    part: parts.map((it) => ({
      name: say(`point.${it.procedure}`),
      about: `${machineName(say, it)} · ${it.place}`,
      path: isManager(actor) ? `/line/${it.number}` : `/look/${it.number}`,
    })),
    job: jobs
      .filter(({ point }) => point !== null)
      .map((it) => ({
        name: machineName(say, it),
        about: [it.place, it.who ?? ''].filter(Boolean).join(' · '),
        path: isManager(actor) ? `/line/${it.point}` : `/jobs/${it.id}`,
      })),
    fault: faults.map((it) => ({
      name: say(`symptom.${it.symptom}`),
      about: [it.place, it.closed ? say('found.closed') : '', it.note].filter(Boolean).join(' · '),
      path: `/faults/${it.id}`,
    })),
    procedure: sought.procedures.map((key) => ({
      name: say(`task.${key}`),
      about: say('found.procedure'),
      path: `/procedures/${key}`,
    })),
  };
  const kinds = Object.keys(all) as FoundKind[];
  return {
    found: kinds.flatMap((kind) => all[kind].slice(0, SHOWN).map((it) => ({ kind, ...it }))),
    more: kinds.filter((kind) => all[kind].length > SHOWN),
  };
}
