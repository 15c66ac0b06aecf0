/** Finding by words: each kind of thing by a part of its name, so many of each at most. */
import { ask } from './connection.ts';
import type { Db } from '../store/db.ts';

/** What is looked for, the percent signs around it; and what of the catalogue is called so. */
export interface Sought {
  readonly organisationId: string;
  readonly like: string;
  /** The whole number that was typed; -1 where none was. */
  readonly number: number;
  readonly types: readonly string[];
  readonly procedures: readonly string[];
  readonly most: number;
}

export interface FoundPlace {
  readonly id: string;
  readonly name: string;
  readonly property: string;
}
export interface FoundMachine {
  readonly number: number;
  readonly type: string;
  readonly label: string;
  readonly maker: string;
  readonly model: string;
  readonly place: string;
  readonly placeId: string;
}
export interface FoundPart {
  readonly number: number;
  readonly procedure: string;
  readonly type: string;
  readonly label: string;
  readonly place: string;
}
export interface FoundPerson {
  readonly id: string;
  readonly name: string;
  readonly placeId: string | null;
  readonly place: string | null;
}
export interface FoundFault {
  readonly id: string;
  readonly symptom: string;
  readonly note: string;
  readonly place: string;
  readonly closed: number;
}
export interface FoundJob {
  readonly id: string;
  readonly type: string;
  readonly label: string;
  readonly place: string;
  readonly who: string | null;
  readonly point: number | null;
}

const LIKE = String.raw`LIKE ?2 ESCAPE '\'`;

export const findPlaces = (db: Db, { organisationId, like, most }: Sought) =>
  ask<FoundPlace>(
    db,
    `SELECT place.id, place.name, property.name AS property FROM place JOIN property ON property.id = place.property_id
     WHERE place.organisation_id = ?1
       AND (place.name ${LIKE} OR property.name || ' ' || place.name ${LIKE} OR property.address ${LIKE})
     ORDER BY property.sort, place.sort LIMIT ?3`,
    [organisationId, like, most],
  );

export const findMachines = (db: Db, { organisationId, like, number, types, most }: Sought) =>
  ask<FoundMachine>(
    db,
    `SELECT machine.number, machine.type, machine.label, machine.maker, machine.model,
       place.name AS place, place.id AS placeId
     FROM machine JOIN place ON place.id = machine.place_id
     WHERE machine.organisation_id = ?1 AND (machine.number = ?4 OR machine.label ${LIKE}
       OR machine.maker || ' ' || machine.model ${LIKE} OR machine.type IN (SELECT value FROM json_each(?5)))
     ORDER BY machine.number = ?4 DESC, machine.retired_day IS NOT NULL, machine.number LIMIT ?3`,
    [organisationId, like, most, number, JSON.stringify(types)],
  );

export const findParts = (db: Db, { organisationId, number, procedures, most }: Sought) =>
  ask<FoundPart>(
    db,
    `SELECT point.number, point.procedure, machine.type, machine.label, place.name AS place
     FROM point JOIN machine ON machine.id = point.machine_id JOIN place ON place.id = machine.place_id
     JOIN mark ON mark.point_id = point.id
     WHERE point.organisation_id = ?1 AND (point.number = ?3 OR point.procedure IN (SELECT value FROM json_each(?4)))
     ORDER BY point.number = ?3 DESC, mark.served_day + mark.interval_days LIMIT ?2`,
    [organisationId, most, number, JSON.stringify(procedures)],
  );

/** People, with the home that they live in or lived in last. */
export const findPeople = (db: Db, { organisationId, like, most }: Sought) =>
  ask<FoundPerson>(
    db,
    `SELECT person.id, person.name, place.id AS placeId, place.name AS place FROM person
     LEFT JOIN tenancy ON tenancy.id =
       (SELECT id FROM tenancy WHERE person_id = person.id ORDER BY from_day DESC LIMIT 1)
     LEFT JOIN place ON place.id = tenancy.place_id
     WHERE person.organisation_id = ?1 AND (person.name ${LIKE} OR person.email ${LIKE})
       AND (tenancy.id IS NOT NULL OR person.email IS NOT NULL)
     ORDER BY person.name LIMIT ?3`,
    [organisationId, like, most],
  );

export const findFaults = (db: Db, { organisationId, like, most }: Sought, symptoms: readonly string[]) =>
  ask<FoundFault>(
    db,
    `SELECT fault.id, fault.symptom, fault.note, place.name AS place, fault.closed_at IS NOT NULL AS closed
     FROM fault JOIN place ON place.id = fault.place_id
     WHERE fault.organisation_id = ?1 AND (fault.note ${LIKE} OR fault.symptom IN (SELECT value FROM json_each(?4)))
     ORDER BY closed, fault.opened_at DESC LIMIT ?3`,
    [organisationId, like, most, JSON.stringify(symptoms)],
  );

/** Jobs in somebody's hands, by machine, home or whoever has them. */
export const findJobs = (db: Db, { organisationId, like, types, most }: Sought) =>
  ask<FoundJob>(
    db,
    `SELECT job.id, machine.type, machine.label, place.name AS place, person.name AS who,
       (SELECT point.number FROM task JOIN point ON point.id = task.point_id
         WHERE task.job_id = job.id LIMIT 1) AS point
     FROM job JOIN machine ON machine.id = job.machine_id JOIN place ON place.id = job.place_id
     LEFT JOIN person ON person.id = job.assignee_id
     WHERE job.organisation_id = ?1 AND job.state IN ('given', 'started', 'awaitingTest', 'sent')
       AND (person.name ${LIKE} OR place.name ${LIKE} OR machine.label ${LIKE}
         OR machine.type IN (SELECT value FROM json_each(?4)))
     ORDER BY job.given_at DESC LIMIT ?3`,
    [organisationId, like, most, JSON.stringify(types)],
  );
