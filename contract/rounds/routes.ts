/** Routes of the plan, of when people work, and of each person's round. */
import { MANAGER, OFFICE, passing, read, wholeOffice, write, type Made } from '../route.ts';
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
  'dayOff.remove': wholeOffice(passing<{ answer: object }>()(write('DELETE', '/days-off/:id', MANAGER, 0))),
  'place.access': passing<{ answer: HomeAccess }>()(read('/places/:id/access', OFFICE)),
  'place.accessChange': passing<{ form: HomeAccess; answer: object }>()(write('PUT', '/places/:id/access', OFFICE, 2)),
  /** One's own next round; it says all that is needed where there is no connection. */
  'round.mine': passing<{ answer: RoundAnswer }>()({ ...read('/round', OFFICE), perMinute: 120 }),
  'round.read': passing<{ form: RoundOn; answer: RoundAnswer }>()({
    ...read('/people/:id/round', OFFICE),
    perMinute: 120,
  }),
} as const;
