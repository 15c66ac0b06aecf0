/** Routes of the plan, of when people work, and of each person's round. */
import { MANAGER, OFFICE, passing, read, refusing, wholeOffice, write, type Made } from '../route.ts';
import type { BusyTimesAnswer, ChangeBusyTimes } from './busy.ts';
import type { ComeAgain, MishapsAnswer, NewMishap, OrderRound, RoundOrdered } from './mishaps.ts';
import type {
  CapacityAnswer,
  ChangeWorkingTime,
  DayOff,
  HomeAccess,
  MakePlan,
  PlanAnswer,
  PlanWeek,
  RoundAnswer,
  RoundOn,
  ShapePlan,
  TakenOver,
  TakeOver,
  WorkingTime,
} from './rounds.ts';

export const roundsRoutes = {
  'plan.read': wholeOffice(
    passing<{ form: PlanWeek; answer: PlanAnswer }>()({ ...read('/plan', MANAGER), perMinute: 120 }),
  ),
  'plan.make': wholeOffice(passing<{ form: MakePlan; answer: PlanAnswer }>()(write('POST', '/plan', MANAGER, 1, 20))),
  'plan.shape': wholeOffice(
    passing<{ form: ShapePlan; answer: PlanAnswer }>()({
      ...write('POST', '/plan/shapes', MANAGER, 8, 240),
      problems: ['planChanged', 'takenOver'],
    }),
  ),
  'plan.takeOver': wholeOffice(
    passing<{ form: TakeOver; answer: TakenOver }>()({
      ...write('POST', '/plan/taken-over', MANAGER, 2, 120),
      problems: ['planChanged'],
    }),
  ),
  'capacity.read': wholeOffice(passing<{ answer: CapacityAnswer }>()({ ...read('/capacity', MANAGER), perMinute: 60 })),
  'person.workingTime': wholeOffice(passing<{ answer: WorkingTime }>()(read('/people/:id/working-time', MANAGER))),
  'person.workingTimeChange': wholeOffice(
    passing<{ form: ChangeWorkingTime; answer: object }>()(write('PUT', '/people/:id/working-time', MANAGER, 1)),
  ),
  'person.dayOff': wholeOffice(
    passing<{ form: DayOff; answer: Made }>()(write('POST', '/people/:id/days-off', MANAGER, 1)),
  ),
  'person.busyTimes': passing<{ answer: BusyTimesAnswer }>()(read('/people/:id/busy-times', OFFICE)),
  'person.busyTimesChange': passing<{ form: ChangeBusyTimes; answer: object }>()(
    write('PUT', '/people/:id/busy-times', OFFICE, 200, 20),
  ),
  'dayOff.remove': wholeOffice(passing<{ answer: object }>()(write('DELETE', '/days-off/:id', MANAGER, 0))),
  'place.access': passing<{ answer: HomeAccess }>()(read('/places/:id/access', OFFICE)),
  'place.accessChange': passing<{ form: HomeAccess; answer: object }>()(write('PUT', '/places/:id/access', OFFICE, 2)),
  /** One's own next round; it says all that is needed where there is no connection. */
  'round.mine': passing<{ answer: RoundAnswer }>()({ ...read('/round', OFFICE), perMinute: 120 }),
  'mishap.create': passing<{ form: NewMishap; answer: Made }>()(
    refusing(write('POST', '/round-stops/:id/mishaps', OFFICE, 1, 60), 'notToday'),
  ),
  'mishap.takeBack': passing<{ answer: object }>()(
    refusing(write('DELETE', '/mishaps/:id', OFFICE, 0, 60), 'mishapTold'),
  ),
  'mishap.again': passing<{ form: ComeAgain; answer: object }>()(
    refusing(write('POST', '/mishaps/:id/again', OFFICE, 1, 60), 'noticeTooShort', 'mishapSettled'),
  ),
  'mishap.settle': passing<{ answer: object }>()(write('POST', '/mishaps/:id/settled', MANAGER, 0, 120)),
  'mishaps.list': passing<{ answer: MishapsAnswer }>()(read('/mishaps', MANAGER)),
  'round.order': passing<{ form: OrderRound; answer: RoundOrdered }>()(
    refusing(write('POST', '/round/order', OFFICE, 8, 60), 'notToday'),
  ),
  'round.read': passing<{ form: RoundOn; answer: RoundAnswer }>()({
    ...read('/people/:id/round', OFFICE),
    perMinute: 120,
  }),
} as const;
