/** Which service answers which route. Nothing else happens here. */
import type { AnySchema } from 'yup';
import * as alarmForms from '../../contract/alarms.ts';
import * as bulkForms from '../../contract/bulk.ts';
import * as editionForms from '../../contract/editions.ts';
import * as deficiencyForms from '../../contract/deficiencies.ts';
import * as faultForms from '../../contract/faults.ts';
import * as measureForms from '../../contract/measure.ts';
import * as jobForms from '../../contract/jobs.ts';
import * as listForms from '../../contract/lists.ts';
import * as peopleForms from '../../contract/people.ts';
import * as proofForms from '../../contract/proof.ts';
import * as rehearsalForms from '../../contract/rehearsals.ts';
import * as registerForms from '../../contract/register.ts';
import type { RouteName } from '../../contract/routes.ts';
import * as habitForms from '../../contract/habits.ts';
import * as practiceForms from '../../contract/practice.ts';
import * as signalForms from '../../contract/signals.ts';
import * as editions from '../catalogue/editions.ts';
import { readCatalogue } from '../pages/catalogue.ts';
import { readProcedure } from '../jobs/procedure.ts';
import { keepRehearsal, listRehearsals, readRehearsal } from '../jobs/rehearsals.ts';
import * as habits from '../due/habits.ts';
import * as inbox from '../due/inbox.ts';
import * as looks from '../due/looks.ts';
import { previewPractice, readPractice } from '../pages/practice.ts';
import { readPoint } from '../pages/point.ts';
import * as settings from '../due/settings.ts';
import * as signals from '../due/signals.ts';
import { readWorking, supposeWorking } from '../pages/working.ts';
import type { Call } from '../context/context.ts';
import * as deficiencies from '../faults/deficiencies.ts';
import * as alarms from '../faults/alarms.ts';
import { closeFault, listFaults, reportFault } from '../faults/faults.ts';
import { openHandBacks, settleHandBack } from '../jobs/handBacks.ts';
import { readJob } from '../pages/job.ts';
import { giveContracted } from '../jobs/contracted.ts';
import { moveOrRaise } from '../faults/unsafeMove.ts';
import { giveJob } from '../jobs/jobs.ts';
import * as lists from '../jobs/lists.ts';
import { beginUnplanned } from '../jobs/unplanned.ts';
import { readToday } from '../pages/today.ts';
import { sendJob } from '../proof/submission.ts';
import { withdrawJob } from '../jobs/withdraw.ts';
import { keepMeasurement } from '../measure/measurements.ts';
import * as duty from '../notices/duty.ts';
import * as people from '../people/people.ts';
import { logRecord } from '../proof/records.ts';
import { judgeProof, undoVerdict } from '../proof/verdicts.ts';
import { readHome } from '../pages/home.ts';
import { claimDone, giveWeek, planBaseline, readBaseline } from '../register/baseline.ts';
import { importForm, importTable } from '../register/importTable.ts';
import { readMachine } from '../pages/machine.ts';
import {
  changeMachine,
  contractMachine,
  createMachine,
  moveMachine,
  retireMachine,
  specifyPoint,
} from '../register/machines.ts';
import { readHomes } from '../pages/homes.ts';
import { readPlace } from '../pages/place.ts';
import { readTurnover } from '../pages/turnover.ts';
import * as places from '../register/places.ts';
import { removeMachine, removeUnits } from '../register/removal.ts';
import { readKnown } from '../register/table.ts';
import * as tenancies from '../register/tenancies.ts';
import * as turnover from '../register/turnover.ts';
import * as units from '../register/units.ts';
import { proofQueue, readProof } from '../pages/proof.ts';

type Params = Readonly<Record<string, string>>;

export interface Handler {
  /** Of a write its body; of a read what stands in the query under `with`, as JSON. */
  readonly form?: AnySchema;
  /** Slow work that needs no transaction, before it begins. */
  readonly prepare?: (form: never) => Promise<unknown>;
  /** What it answers is told once and not kept. */
  readonly secret?: boolean;
  readonly run: (call: Call, form: never, params: Params) => Promise<object>;
}

/** A route that takes no form: a read, or a write that its path says whole. */
const bare = (run: (call: Call, params: Params) => Promise<object>): Handler => ({
  run: (call, _form, params) => run(call, params),
});
const write = <F>(form: AnySchema, run: (call: Call, form: F, params: Params) => Promise<object>): Handler => ({
  form,
  run: run as Handler['run'],
});

/** Routes that open a session, send a file or send bytes of their own are mounted by the door itself. */
export type OwnRoute =
  | 'session.read'
  | 'session.open'
  | 'install.create'
  | 'link.exchange'
  | 'photo.create'
  | 'photo.read'
  | 'board.read'
  | 'calendar.read'
  | 'inbox.signal'
  | 'labels.read'
  | 'register.export'
  | 'alarm.answer'
  | 'duty.try';

export const HANDLERS: Readonly<Record<Exclude<RouteName, OwnRoute>, Handler>> = {
  'session.close': bare((call) => people.closeSession(call)),
  'people.read': bare(async (call) => ({ people: await people.listPeople(call) })),
  'people.create': {
    form: peopleForms.newPerson,
    prepare: people.preparePerson as never,
    run: people.createPerson as Handler['run'],
  },
  'catalogue.read': bare((call) => readCatalogue(call)),
  'homes.read': bare((call) => readHomes(call)),
  'property.create': write(registerForms.newProperty, places.createProperty),
  'property.change': write(registerForms.propertyChange, (call, form: registerForms.PropertyChange, { id }) =>
    places.changeProperty(call, id!, form),
  ),
  'building.create': write(registerForms.newBuilding, places.createBuilding),
  'place.create': write(registerForms.newPlace, places.createPlace),
  'place.read': bare((call, { id }) => readPlace(call, id!)),
  'tenancy.create': write(registerForms.newTenancy, tenancies.createTenancy),
  'tenancy.change': write(registerForms.tenancyChange, (call, form: registerForms.TenancyChange, { id }) =>
    tenancies.changeTenancy(call, id!, form),
  ),
  'tenancy.withdraw': bare((call, { id }) => tenancies.withdrawTenancy(call, id!)),
  'tenancy.household': write(registerForms.householdChange, (call, form: registerForms.HouseholdChange, { id }) =>
    tenancies.changeHousehold(call, id!, form),
  ),
  'tenancy.link': { secret: true, run: (call, _form, { id }) => tenancies.createLink(call, id!) },
  'tenancy.revoke': bare((call, { id }) => tenancies.revokeLinks(call, id!)),
  'machine.create': write(registerForms.newMachine, createMachine),
  'machine.change': write(registerForms.machineChange, (call, form: registerForms.MachineChange, { id }) =>
    changeMachine(call, id!, form),
  ),
  'machine.read': bare((call, { number }) => readMachine(call, number!)),
  'jobs.begin': write(jobForms.begin, (call, form: jobForms.Begin, { number }) => beginUnplanned(call, number!, form)),
  'jobs.contract': { form: jobForms.giveContracted, secret: true, run: giveContracted as Handler['run'] },
  'deficiencies.list': bare((call) => deficiencies.listDeficiencies(call)),
  'deficiencies.report': write(deficiencyForms.reportDeficiency, deficiencies.reportDeficiency),
  'deficiencies.change': write(
    deficiencyForms.changeDeficiency,
    (call, form: deficiencyForms.ChangeDeficiency, { id }) => deficiencies.changeDeficiency(call, id!, form),
  ),
  'deficiencies.close': write(deficiencyForms.closeDeficiency, (call, form: deficiencyForms.CloseDeficiency, { id }) =>
    deficiencies.closeDeficiency(call, id!, form),
  ),
  'rehearsal.read': {
    form: rehearsalForms.rehearsalOf,
    run: ((call: Call, form: rehearsalForms.RehearsalOf, { key }: Params) =>
      readRehearsal(call, key!, form)) as Handler['run'],
  },
  'rehearsals.list': bare((call) => listRehearsals(call)),
  'rehearsal.keep': write(rehearsalForms.rehearsed, keepRehearsal),
  'machine.remove': bare((call, { id }) => removeMachine(call, id!)),
  'machine.move': write(registerForms.moveMachine, (call, form: registerForms.MoveMachine, { id }) =>
    moveMachine(call, id!, form),
  ),
  'templates.list': bare((call) => units.listTemplates(call)),
  'template.create': write(registerForms.newTemplate, units.createTemplate),
  'template.remove': bare((call, { id }) => units.removeTemplate(call, id!)),
  'template.ofPlace': bare((call, { id }) => units.templateOfPlace(call, id!)),
  'units.create': write(registerForms.newUnits, units.createUnits),
  'units.remove': write(registerForms.removeUnits, removeUnits),
  'machines.createMany': write(registerForms.manyMachines, units.addToMany),
  'register.known': bare((call) => readKnown(call)),
  'register.import': write(importForm, importTable),
  'baseline.read': write(bulkForms.previewBaseline, readBaseline),
  'baseline.plan': write(bulkForms.planBaseline, planBaseline),
  'baseline.give': write(bulkForms.giveWeek, giveWeek),
  'procedure.read': bare((call, { key }) => readProcedure(call, key!)),
  'edition.save': write(editionForms.saveEdition, (call, form: editionForms.SaveEdition, { key }) =>
    editions.saveEdition(call, key!, form),
  ),
  'edition.takeOurs': write(editionForms.takeOurs, (call, form: editionForms.TakeOurs, { key }) =>
    editions.takeOurs(call, key!, form),
  ),
  'measurement.keep': write(measureForms.keepMeasurement, keepMeasurement),
  'point.read': bare((call, { id }) => readPoint(call, id!)),
  'point.specify': write(registerForms.specify, (call, form: Parameters<typeof specifyPoint>[2], { id }) =>
    specifyPoint(call, id!, form),
  ),
  'machine.contract': write(registerForms.contractOf, (call, form: registerForms.ContractForm, { id }) =>
    contractMachine(call, id!, form),
  ),
  'machine.retire': write(registerForms.retireMachine, (call, form: registerForms.RetireMachine, { id }) =>
    retireMachine(call, id!, form),
  ),
  'tenancy.end': write(registerForms.endTenancy, (call, form: registerForms.EndTenancy, { id }) =>
    turnover.endTenancy(call, id!, form),
  ),
  'place.hold': write(registerForms.holdPlace, (call, form: registerForms.HoldPlace, { id }) =>
    turnover.holdPlace(call, id!, form),
  ),
  'place.turnover': bare((call, { id }) => readTurnover(call, id!)),
  'point.working': bare((call, { id }) => readWorking(call, id!)),
  'point.suppose': write(practiceForms.suppose, (call, form: practiceForms.Suppose, { id }) =>
    supposeWorking(call, id!, form),
  ),
  'point.anchor': write(practiceForms.anchorPoint, (call, form: Parameters<typeof settings.anchorPoint>[2], { id }) =>
    settings.anchorPoint(call, id!, form),
  ),
  'point.schedule': write(
    practiceForms.schedulePoint,
    (call, form: Parameters<typeof settings.schedulePoint>[2], { id }) => settings.schedulePoint(call, id!, form),
  ),
  'practice.read': bare((call) => readPractice(call)),
  'practice.preview': bare((call, { scope, id }) => previewPractice(call, scope!, id!)),
  'practice.choose': write(practiceForms.choosePractice, settings.choosePractice),
  'method.choose': write(practiceForms.chooseMethod, settings.chooseMethod),
  'assumptions.change': write(practiceForms.changeAssumptions, settings.changeAssumptions),
  'seasons.change': write(practiceForms.changeSeasons, settings.changeSeasons),
  'upkeepDay.change': write(practiceForms.changeUpkeepDay, settings.changeUpkeepDay),
  'prices.change': write(practiceForms.changePrices, settings.changePrices),
  'budget.change': write(practiceForms.changeBudget, settings.changeBudget),
  'look.open': bare((call, { number }) => looks.openLook(call, number!)),
  'look.create': write(signalForms.newLook, looks.createLook),
  'signals.list': bare(async (call) => ({ signals: await signals.listSignals(call, {}) })),
  'signal.report': write(signalForms.reportSignal, signals.reportSignal),
  'signal.dismiss': write(signalForms.dismissSignal, (call, form: signalForms.DismissSignal, { id }) =>
    signals.dismissSignal(call, id!, form),
  ),
  'emitter.create': { secret: true, run: (call, _form, { id }) => inbox.createEmitter(call, id!) },
  'emitter.retire': bare((call, { id }) => inbox.retireEmitter(call, id!)),
  'habits.attest': write(habitForms.attestHabits, habits.attestHabits),
  'habits.check': write(habitForms.checkHabit, habits.checkHabit),
  'jobs.mine': bare((call) => readToday(call)),
  'lastDone.claim': write(bulkForms.claimDone, claimDone),
  'list.read': bare((call, { id }) => lists.readHomeList(call, id!)),
  'list.give': write(listForms.giveList, lists.giveList),
  'handBacks.read': bare(async (call) => ({ open: await openHandBacks(call) })),
  'handBack.settle': bare((call, { id }) => settleHandBack(call, id!)),
  'jobs.give': write(jobForms.giveJob, giveJob),
  'jobs.read': bare((call, { id }) => readJob(call, id!)),
  'jobs.move': write(jobForms.moveJob, (call, form: jobForms.MoveJob, { id }) => moveOrRaise(call, id!, form)),
  'jobs.send': write(jobForms.submission, (call, form: jobForms.Submission, { id }) => sendJob(call, id!, form)),
  'jobs.withdraw': bare((call, { id }) => withdrawJob(call, id!)),
  'home.read': bare((call) => readHome(call)),
  'record.log': write(jobForms.logRecord, logRecord),
  'proof.queue': bare((call) => proofQueue(call)),
  'proof.read': bare((call, { id }) => readProof(call, id!)),
  'proof.judge': write(proofForms.judge, (call, form: proofForms.Judge, { id }) => judgeProof(call, id!, form)),
  'proof.undo': bare((call, { id }) => undoVerdict(call, id!)),
  'faults.list': bare(async (call) => ({ faults: await listFaults(call, {}) })),
  'faults.report': write(faultForms.reportFault, reportFault),
  'alarms.list': bare(async (call) => ({ alarms: await alarms.openAlarms(call, call.actor.organisationId) })),
  'alarm.raise': write(alarmForms.raiseAlarm, alarms.raiseAlarm),
  'alarm.read': bare((call, { id }) => alarms.readAlarm(call, id!)),
  'alarm.acknowledge': bare((call, { id }) => alarms.acknowledge(call, id!)),
  'duty.read': bare((call) => duty.readDuty(call)),
  'duty.change': write(alarmForms.changeDuty, duty.changeDuty),
  'property.numbers': write(alarmForms.changeNumbers, (call, form: alarmForms.ChangeNumbers, { id }) =>
    duty.changeNumbers(call, id!, form),
  ),
  'faults.close': write(faultForms.closeFault, (call, form: faultForms.CloseFault, { id }) =>
    closeFault(call, id!, form),
  ),
};
