/** What of each table belongs to some properties, as views that stand before the tables. */
import { tableNameOf } from './db.ts';
import { TABLES, type TableName } from './tables.ts';

/** What an id of ours looks like; nothing else is written into SQL. */
const ID = /^[0-9a-f-]{36}$/;

/**
 * The condition on a row of each table; null where everybody of the office may read all of it. A new table is named
 * here before it compiles.
 */
function conditionsOf(properties: string): Readonly<Record<TableName, string | null>> {
  const ids = (table: string, where: string) => `SELECT id FROM main.${table} WHERE ${where}`;
  const ofProperty = `property_id IN (${properties})`;
  const ofPlace = `place_id IN (${ids('place', ofProperty)})`;
  const ofMachine = `machine_id IN (${ids('machine', ofPlace)})`;
  const points = ids('point', ofMachine);
  const ofPoint = `point_id IN (${points})`;
  const ofJob = `job_id IN (${ids('job', ofPlace)})`;
  const tenancies = ids('tenancy', ofPlace);
  const ofFault = `fault_id IN (${ids('fault', ofPlace)})`;
  const records = `${ids('record', ofPoint)} UNION ALL ${ids('look', ofPoint)}`;
  const atPlace = ['fault', 'deficiency', 'signal', 'alarm', 'hand_back', 'machine', 'tenancy']
    .map((table) => ids(table, ofPlace))
    .join(' UNION ALL ');
  const ofSubject = `subject_id IN (${records} UNION ALL ${atPlace} UNION ALL ${points} UNION ALL ${ids(
    'attestation',
    `tenancy_id IN (${tenancies})`,
  )})`;
  /** Whom a tenancy, an owner's link or a contractor's job has brought in. */
  const bound = (tenancy = '1', owner = '1', job = '1') =>
    `SELECT person_id FROM main.tenancy WHERE ${tenancy} UNION ALL SELECT person_id FROM main.owner_link WHERE ${owner}
      UNION ALL SELECT person_id FROM main.job_link WHERE ${job}`;
  return {
    organisation: null,
    roleGrant: null,
    personProperty: null,
    session: null,
    accessLink: null,
    recoveryCode: null,
    accessToken: null,
    template: null,
    registerImport: null,
    machineName: null,
    definedMachine: null,
    edition: null,
    rehearsal: null,
    receipt: null,
    stockItem: null,
    stockChange: null,
    dayOff: null,
    busyTime: null,
    calendarFeed: null,
    plan: null,
    guess: null,
    // The office, and who lives, owns or works here; nobody who does so only elsewhere.
    person: `id NOT IN (${bound()}) OR id IN (${bound(ofPlace, ofProperty, ofJob)})
      OR id IN (SELECT person_id FROM main.role_grant WHERE role IN ('manager', 'staff'))`,
    property: `id IN (${properties})`,
    building: ofProperty,
    place: ofProperty,
    inspection: ofProperty,
    ownerLink: ofProperty,
    tenancy: ofPlace,
    machine: ofPlace,
    machineServes: ofPlace,
    mark: ofPlace,
    job: ofPlace,
    message: ofPlace,
    visit: ofPlace,
    roundStop: ofPlace,
    mishap: ofPlace,
    monthList: ofPlace,
    entry: ofPlace,
    fault: ofPlace,
    signal: ofPlace,
    alarm: ofPlace,
    handBack: ofPlace,
    deficiency: ofPlace,
    link: `tenancy_id IN (${tenancies})`,
    attestation: `tenancy_id IN (${tenancies})`,
    point: ofMachine,
    emitter: ofMachine,
    reading: ofMachine,
    remedy: ofMachine,
    line: ofPoint,
    record: ofPoint,
    proof: ofPoint,
    condition: ofPoint,
    look: ofPoint,
    measurement: ofPoint,
    task: ofJob,
    jobEvent: ofJob,
    jobLink: ofJob,
    draw: `record_id IN (${records})`,
    personal: `record_id IN (${records})`,
    logEntry: `subject_id IN (${records})`,
    signalReport: `signal_id IN (${ids('signal', ofPlace)})`,
    alarmCall: `alarm_id IN (${ids('alarm', ofPlace)})`,
    faultReport: ofFault,
    faultCheck: ofFault,
    approval: ofFault,
    reminder: `subject_id IN (${atPlace})`,
    fact: `subject_id IN (SELECT id FROM main.organisation UNION ALL SELECT id FROM main.property
      WHERE id IN (${properties}) UNION ALL ${ids('place', ofProperty)}) OR ${ofSubject}`,
    photoUse: ofSubject,
    // What nobody has used yet is its sender's, and shown to nobody else.
    photo: `id NOT IN (SELECT photo_id FROM main.photo_use)
      OR id IN (SELECT photo_id FROM main.photo_use WHERE ${ofSubject})`,
  };
}

/** Tables of which somebody limited sees a part. */
export const LIMITED: readonly TableName[] = (Object.keys(TABLES) as TableName[]).filter(
  (name) => conditionsOf('')[name] !== null,
);

/** Statements that put a view of its name before every table that not everybody may read whole. */
export function viewsOf(properties: readonly string[]): string[] {
  const quoted = properties.filter((id) => ID.test(id)).map((id) => `'${id}'`);
  const conditions = conditionsOf(quoted.join());
  return LIMITED.map((name) => {
    const table = tableNameOf(name);
    return `CREATE TEMP VIEW ${table} AS SELECT * FROM main.${table} WHERE ${conditions[name]}`;
  });
}
