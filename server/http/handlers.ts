/** Which service answers which route. Nothing else happens here. */
import { changeMonthList } from '../../contract/jobs/monthList.ts';
import * as monthList from '../jobs/monthList.ts';
import { newFeed } from '../../contract/pages/feeds.ts';
import * as feeds from '../pages/feeds.ts';
import * as baselineForms from '../../contract/due/baseline.ts';
import * as editionForms from '../../contract/catalogue/editions.ts';
import * as measureForms from '../../contract/measure/measure.ts';
import * as jobForms from '../../contract/jobs/jobs.ts';
import * as listForms from '../../contract/jobs/lists.ts';
import { newToken } from '../../contract/people/tokens.ts';
import * as definedForms from '../../contract/catalogue/defined.ts';
import {
  listDefined,
  prepareDefined,
  prepareTaken,
  readDefinitionFile,
  removeDefined,
  saveDefined,
  takeDefined,
} from '../register/defined.ts';
import * as peopleForms from '../../contract/people/people.ts';
import * as proofForms from '../../contract/proof/proof.ts';
import * as rehearsalForms from '../../contract/catalogue/rehearsals.ts';
import * as registerForms from '../../contract/register/register.ts';
import * as machines from '../../contract/register/machines.ts';
import { tapeOf } from '../../contract/pages/tape.ts';
import { changeVerdict, newOwnerLink, standingOn } from '../../contract/standing/standing.ts';
import * as habitForms from '../../contract/due/habits.ts';
import * as practiceForms from '../../contract/due/practice.ts';
import * as signalForms from '../../contract/due/signals.ts';
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
import { listAgentEffects } from '../standing/agentEffects.ts';
import { openHandBacks, settleHandBack } from '../jobs/handBacks.ts';
import { readJob } from '../pages/job.ts';
import { giveContracted } from '../jobs/contracted.ts';
import { moveOrRaise } from '../faults/unsafeMove.ts';
import { giveJob } from '../jobs/jobs.ts';
import * as lists from '../jobs/lists.ts';
import { beginUnplanned } from '../jobs/unplanned.ts';
import { readShelf } from '../pages/stock.ts';
import { readToday } from '../pages/today.ts';
import { sendJob } from '../proof/submission.ts';
import { withdrawJob } from '../jobs/withdraw.ts';
import { keepMeasurement } from '../measure/measurements.ts';
import * as ownerLinks from '../people/ownerLinks.ts';
import * as account from '../people/account.ts';
import * as office from '../people/office.ts';
import * as tokens from '../people/tokens.ts';
import { newSecret } from '../people/secondFactor.ts';
import { changeLookRule } from '../proof/byRule.ts';
import { correctRecord } from '../proof/corrections.ts';
import { logRecord } from '../proof/records.ts';
import { judgeProof, undoVerdict } from '../proof/verdicts.ts';
import { readFilters } from '../pages/filters.ts';
import { readHome } from '../pages/home.ts';
import { claimDone, giveWeek, planBaseline, readBaseline } from '../register/baseline.ts';
import { judgeMany } from '../proof/judgeMany.ts';
import { readPeople } from '../pages/people.ts';
import { giveMany, takeListsBack } from '../jobs/giveMany.ts';
import { listImports, undoImport } from '../register/imports.ts';
import { importForm, importTable, prepareImport } from '../register/importTable.ts';
import { readMachine } from '../pages/machine.ts';
import {
  changeMachine,
  contractMachine,
  createMachine,
  moveMachine,
  photographShutoff,
  restoreMachine,
  retireMachine,
  specifyPoint,
} from '../register/machines.ts';
import { readHomes } from '../pages/homes.ts';
import { search as searchForm, type Search } from '../../contract/pages/search.ts';
import { findAll } from '../pages/search.ts';
import { readPlace } from '../pages/place.ts';
import { readTape } from '../pages/tape.ts';
import { readTurnover } from '../pages/turnover.ts';
import * as changes from '../register/changes.ts';
import * as places from '../register/places.ts';
import { removeMachine, removeUnits } from '../register/removal.ts';
import { readKnown } from '../register/table.ts';
import { changeBreachShare } from '../standing/verdict.ts';
import { readStanding } from '../standing/standing.ts';
import * as stockForms from '../../contract/stock/stock.ts';
import * as stock from '../stock/stock.ts';
import * as tenancies from '../register/tenancies.ts';
import * as turnover from '../register/turnover.ts';
import * as units from '../register/units.ts';
import { proofQueue, readProof } from '../pages/proof.ts';
import { FAULT_HANDLERS } from './faultHandlers.ts';
import { NOTICE_HANDLERS } from './noticeHandlers.ts';
import { ROUND_HANDLERS } from './roundHandlers.ts';
import { bare, formed, secret, type Handler, type Preparing, type ServedRoute } from './handler.ts';
import type { ChangePassword, Confirmed, PersonChange, SecondFactor } from '../../contract/people/people.ts';

/** A form that carries the caller's own password once more. */
async function withOwnPassword<F extends { password: string }>(form: F, { env, actor }: Preparing): Promise<F> {
  await account.ownPassword(env, actor.personId, form.password);
  return form;
}

export const HANDLERS: { readonly [N in ServedRoute]: Handler<N> } = {
  ...FAULT_HANDLERS,
  ...NOTICE_HANDLERS,
  ...ROUND_HANDLERS,
  'stock.read': bare(readShelf),
  'filters.compare': bare((call, { id }) => readFilters(call, id)),
  'stock.change': formed(stockForms.changeStock, stock.changeStock),
  'stock.item': formed(stockForms.changeStockItem, stock.changeStockItem),
  'people.read': formed(peopleForms.findPeople, readPeople),
  'people.create': { form: peopleForms.newPerson, prepare: office.preparePerson, run: office.createPerson },
  'people.change': formed(peopleForms.personChange, (call, form: PersonChange, { id }) =>
    office.changePerson(call, id, form),
  ),
  'people.disable': bare((call, { id }) => office.disablePerson(call, id)),
  'people.restore': bare((call, { id }) => office.restorePerson(call, id)),
  'people.link': secret(bare((call, { id }: { id: string }) => office.linkPerson(call, id))),
  'people.secondFactorOff': bare((call, { id }) => office.secondFactorOff(call, id)),
  'tokens.list': bare(tokens.listTokens),
  'token.create': secret(formed(newToken, tokens.createToken)),
  'token.revoke': bare((call, { id }) => tokens.revokeToken(call, id)),
  'me.read': bare(account.readAccount),
  'me.endSession': formed(peopleForms.endSession, account.endOwnSessions),
  'me.password': {
    form: peopleForms.changePassword,
    prepare: async (form: ChangePassword, { env, actor }: Preparing) => {
      await account.ownPassword(env, actor.personId, form.current);
      return account.prepareChange(form);
    },
    run: account.changePassword,
  },
  'me.secondFactor': {
    form: peopleForms.secondFactor,
    secret: true,
    prepare: withOwnPassword<SecondFactor>,
    run: account.turnOnOwn,
  },
  'me.secondFactorOff': { form: peopleForms.confirmed, prepare: withOwnPassword<Confirmed>, run: account.turnOffOwn },
  'me.newSecret': bare(async (call) => newSecret(call)),
  'catalogue.read': bare((call) => readCatalogue(call)),
  'homes.read': bare((call) => readHomes(call)),
  'property.create': formed(registerForms.newProperty, places.createProperty),
  'property.change': formed(registerForms.propertyChange, (call, form, { id }) =>
    places.changeProperty(call, id, form),
  ),
  'property.walk': formed(registerForms.walkingOrder, (call, form, { id }) => changes.orderPlaces(call, id, form)),
  'property.edit': formed(registerForms.propertyEdit, (call, form, { id }) => changes.editProperty(call, id, form)),
  'property.remove': bare((call, { id }) => changes.removeProperty(call, id)),
  'building.edit': formed(registerForms.buildingEdit, (call, form, { id }) => changes.editBuilding(call, id, form)),
  'building.remove': bare((call, { id }) => changes.removeBuilding(call, id)),
  'place.edit': formed(registerForms.placeEdit, (call, form, { id }) => changes.editPlace(call, id, form)),
  'tenancy.reopen': bare((call, { id }) => changes.reopenTenancy(call, id)),
  'machine.shutoff': formed(machines.shutoffPhoto, (call, form, { id }) => photographShutoff(call, id, form)),
  'machine.restore': bare((call, { id }) => restoreMachine(call, id)),
  'template.change': formed(machines.templateChange, (call, form, { id }) => units.changeTemplate(call, id, form)),
  'record.correct': formed(jobForms.correctRecord, (call, form, { id }) => correctRecord(call, id, form)),
  'building.create': formed(registerForms.newBuilding, places.createBuilding),
  'place.create': formed(registerForms.newPlace, places.createPlace),
  'search.find': formed(searchForm, (call, form: Search) => findAll(call, form)),
  'place.read': bare((call, { id }) => readPlace(call, id)),
  'tenancy.create': formed(registerForms.newTenancy, tenancies.createTenancy),
  'tenancy.change': formed(registerForms.tenancyChange, (call, form, { id }) =>
    tenancies.changeTenancy(call, id, form),
  ),
  'tenancy.withdraw': bare((call, { id }) => tenancies.withdrawTenancy(call, id)),
  'tenancy.household': formed(registerForms.householdChange, (call, form, { id }) =>
    tenancies.changeHousehold(call, id, form),
  ),
  'tenancy.link': secret(bare((call, { id }) => tenancies.createLink(call, id))),
  'tenancy.revoke': bare((call, { id }) => tenancies.revokeLinks(call, id)),
  'machine.create': formed(machines.newMachine, createMachine),
  'machine.change': formed(machines.machineChange, (call, form, { id }) => changeMachine(call, id, form)),
  'machine.read': bare((call, { number }) => readMachine(call, number)),
  'jobs.begin': formed(jobForms.begin, (call, form, { number }) => beginUnplanned(call, number, form)),
  'jobs.contract': secret(formed(jobForms.giveContracted, giveContracted)),
  'rehearsal.read': formed(rehearsalForms.rehearsalOf, (call, form, { key }) => readRehearsal(call, key, form)),
  'rehearsals.list': bare((call) => listRehearsals(call)),
  'rehearsal.keep': formed(rehearsalForms.rehearsed, keepRehearsal),
  'machine.remove': bare((call, { id }) => removeMachine(call, id)),
  'machine.move': formed(machines.moveMachine, (call, form, { id }) => moveMachine(call, id, form)),
  'templates.list': bare((call) => units.listTemplates(call)),
  'template.create': formed(machines.newTemplate, units.createTemplate),
  'template.remove': bare((call, { id }) => units.removeTemplate(call, id)),
  'template.ofPlace': bare((call, { id }) => units.templateOfPlace(call, id)),
  'units.create': formed(machines.newUnits, units.createUnits),
  'units.remove': formed(machines.removeUnits, removeUnits),
  'machines.createMany': formed(machines.manyMachines, units.addToMany),
  'register.known': bare((call) => readKnown(call)),
  'register.import': { form: importForm, prepare: prepareImport, run: importTable },
  'imports.list': bare(async (call) => ({ imports: await listImports(call) })),
  'import.undo': bare((call, { id }) => undoImport(call, id)),
  'baseline.read': formed(baselineForms.previewBaseline, readBaseline),
  'baseline.plan': formed(baselineForms.planBaseline, planBaseline),
  'baseline.give': formed(baselineForms.giveWeek, giveWeek),
  'procedure.read': bare((call, { key }) => readProcedure(call, key)),
  'defined.list': bare(listDefined),
  'defined.save': { form: definedForms.saveDefined, prepare: prepareDefined, run: saveDefined },
  'defined.take': { form: definedForms.takeDefined, prepare: prepareTaken, run: takeDefined },
  'defined.file': bare((call, { id }) => readDefinitionFile(call, id)),
  'defined.remove': bare((call, { id }) => removeDefined(call, id)),
  'edition.save': formed(editionForms.saveEdition, (call, form, { key }) => editions.saveEdition(call, key, form)),
  'edition.takeOurs': formed(editionForms.takeOurs, (call, form, { key }) => editions.takeOurs(call, key, form)),
  'measurement.keep': formed(measureForms.keepMeasurement, keepMeasurement),
  'point.read': bare((call, { id }) => readPoint(call, id)),
  'point.specify': formed(machines.specify, (call, form, { id }) => specifyPoint(call, id, form)),
  'machine.contract': formed(machines.contractOf, (call, form, { id }) => contractMachine(call, id, form)),
  'machine.retire': formed(machines.retireMachine, (call, form, { id }) => retireMachine(call, id, form)),
  'tenancy.end': formed(registerForms.endTenancy, (call, form, { id }) => turnover.endTenancy(call, id, form)),
  'place.hold': formed(registerForms.holdPlace, (call, form, { id }) => turnover.holdPlace(call, id, form)),
  'places.hold': formed(registerForms.holdPlaces, turnover.holdPlaces),
  'place.turnover': bare((call, { id }) => readTurnover(call, id)),
  'point.working': bare((call, { id }) => readWorking(call, id)),
  'point.suppose': formed(practiceForms.suppose, (call, form, { id }) => supposeWorking(call, id, form)),
  'point.anchor': formed(practiceForms.anchorPoint, (call, form, { id }) => settings.anchorPoint(call, id, form)),
  'point.schedule': formed(practiceForms.schedulePoint, (call, form, { id }) => settings.schedulePoint(call, id, form)),
  'practice.read': bare((call) => readPractice(call)),
  'practice.preview': bare((call, { scope, id }) => previewPractice(call, scope, id)),
  'practice.choose': formed(practiceForms.choosePractice, settings.choosePractice),
  'method.choose': formed(practiceForms.chooseMethod, settings.chooseMethod),
  'assumptions.change': formed(practiceForms.changeAssumptions, settings.changeAssumptions),
  'seasons.change': formed(practiceForms.changeSeasons, settings.changeSeasons),
  'upkeepDay.change': formed(practiceForms.changeUpkeepDay, settings.changeUpkeepDay),
  'office.read': bare((call) => office.readOffice(call)),
  'office.change': formed(peopleForms.changeOffice, office.changeOffice),
  'me.prefer': formed(peopleForms.preferences, account.prefer),
  'prices.change': formed(practiceForms.changePrices, settings.changePrices),
  'budget.change': formed(practiceForms.changeBudget, settings.changeBudget),
  'look.open': bare((call, { number }) => looks.openLook(call, number)),
  'look.create': formed(signalForms.newLook, looks.createLook),
  'signals.list': bare(async (call) => ({ signals: await signals.listSignals(call, {}) })),
  'signal.report': formed(signalForms.reportSignal, signals.reportSignal),
  'signal.dismiss': formed(signalForms.dismissSignal, (call, form, { id }) => signals.dismissSignal(call, id, form)),
  'emitter.create': secret(bare((call, { id }) => inbox.createEmitter(call, id))),
  'emitter.retire': bare((call, { id }) => inbox.retireEmitter(call, id)),
  'habits.attest': formed(habitForms.attestHabits, habits.attestHabits),
  'habits.check': formed(habitForms.checkHabit, habits.checkHabit),
  'jobs.mine': bare((call) => readToday(call)),
  'lastDone.claim': formed(baselineForms.claimDone, claimDone),
  'list.read': bare((call, { id }) => lists.readHomeList(call, id)),
  'monthList.read': bare((call, { id }) => monthList.readMonthList(call, id)),
  'monthList.change': formed(changeMonthList, (call, form, { id }) => monthList.changeMonthList(call, id, form)),
  'monthList.mine': bare((call) => monthList.readMyMonthList(call)),
  'list.give': formed(listForms.giveList, lists.giveList),
  'lists.giveMany': formed(listForms.giveMany, giveMany),
  'lists.takeBack': formed(listForms.takeListsBack, takeListsBack),
  'handBacks.read': bare(async (call) => ({ open: await openHandBacks(call) })),
  'handBack.settle': bare((call, { id }) => settleHandBack(call, id)),
  'jobs.give': formed(jobForms.giveJob, giveJob),
  'jobs.read': bare((call, { id }) => readJob(call, id)),
  'jobs.move': formed(jobForms.moveJob, (call, form, { id }) => moveOrRaise(call, id, form)),
  'jobs.send': formed(jobForms.submission, (call, form, { id }) => sendJob(call, id, form)),
  'jobs.withdraw': bare((call, { id }) => withdrawJob(call, id)),
  'home.read': bare((call) => readHome(call)),
  'record.log': formed(jobForms.logRecord, (call, form) => logRecord(call, form)),
  'proof.queue': bare((call) => proofQueue(call)),
  'proof.read': bare((call, { id }) => readProof(call, id)),
  'proof.rule': formed(proofForms.changeLookRule, changeLookRule),
  'proof.judge': formed(proofForms.judge, (call, form, { id }) => judgeProof(call, id, form)),
  'proof.judgeMany': formed(proofForms.judgeMany, judgeMany),
  'proof.undo': bare((call, { id }) => undoVerdict(call, id)),
  'feeds.list': bare((call) => feeds.listFeeds(call)),
  'feed.create': secret(formed(newFeed, feeds.createFeed)),
  'feed.revoke': bare((call, { id }) => feeds.revokeFeed(call, id)),
  'tape.read': formed(tapeOf, (call, form, { scope, id }) => readTape(call, scope, id, form)),
  'standing.read': formed(standingOn, (call, form) => readStanding(call, form)),
  'ownerLinks.list': bare(async (call) => ({ links: await ownerLinks.listOwnerLinks(call) })),
  'ownerLink.create': secret(formed(newOwnerLink, ownerLinks.createOwnerLink)),
  'ownerLink.revoke': bare((call, { id }) => ownerLinks.revokeOwnerLink(call, id)),
  'verdict.change': formed(changeVerdict, changeBreachShare),
  'agentEffects.list': bare((call) => listAgentEffects(call)),
};
