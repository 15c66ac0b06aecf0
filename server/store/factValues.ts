/** What is known of things from a day on: each fact by its name, with the shape of its value. */
import type { Day } from '../../core/calendar/day.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { Choices } from '../../core/catalogue/types.ts';
import type { Contract, UpkeepDay } from '../../core/due/anchor.ts';
import type { AnchorChoice } from '../../core/catalogue/anchorChoice.ts';
import type { Changes } from '../../core/due/assumptions.ts';
import type { Budget, Prices } from '../../core/due/burden.ts';
import type { LookRule } from '../../core/proof/trust.ts';
import type { Practice } from '../../core/catalogue/practice.ts';
import type { LocalHours } from '../../core/faults/clock.ts';
import type { AskingRule } from '../../core/notices/telling.ts';
import type { EmergencyNumbers } from '../../contract/faults/alarms.ts';
import type { Contact } from '../../contract/notices/messages.ts';
import type { HouseholdFacts, WaterFacts } from '../../contract/register/register.ts';
import type { Specification } from '../../contract/register/machines.ts';
import type { HomeAccess } from '../../contract/rounds/rounds.ts';

/** Where a place stands in the year. */
export interface Seasons {
  readonly coolingMonth: number;
  readonly coolingDate: number;
  readonly leadDays: number;
  /** The high of a day that counts as warm. */
  readonly warmCelsius: number;
}

/** An empty home, until its review. */
export interface Hold {
  readonly until: Day;
  readonly reason: string;
}

/** A service that somebody claims: when, by whom, in which condition it was found. It teaches nothing. */
export interface LastDone {
  readonly day: Day;
  readonly by: string;
  readonly grade: Grade | null;
}

/** What may be known of something from a day on. Null takes it back: what stands around it holds again. */
export interface FactValues {
  water: WaterFacts;
  practice: Practice | null;
  methods: Choices;
  household: HouseholdFacts;
  specification: Specification;
  seasons: Seasons | null;
  warmSpell: Day;
  upkeepDay: UpkeepDay | null;
  anchor: { readonly choice: AnchorChoice; readonly mode: 'sets' | 'limits' } | null;
  contract: (Contract & { readonly name?: string; readonly email?: string }) | null;
  assumptions: Changes;
  prices: Prices & { readonly hoursAMonth?: number | null; readonly materials: Readonly<Record<string, number>> };
  budget: Budget | null;
  /** How proofs are looked at. */
  lookRule: LookRule;
  hold: Hold | null;
  scheduled: boolean;
  /** When it was last served, as claimed by whoever handed it over; it counts until a service is recorded. */
  lastDone: LastDone;
  /** Who is called about an alarm, in order; minutes until the next is. */
  duty: { readonly people: readonly string[]; readonly minutes: number; readonly webhook: string | null };
  mail: {
    readonly host: string;
    readonly port: number;
    readonly secure: boolean;
    readonly user: string;
    readonly password: string;
    readonly from: string;
  } | null;
  /** How a household is reached, of its tenancy. */
  contact: Contact;
  /** What a household has said that it does not do, of its tenancy: keys of procedures. */
  agreed: { readonly declined: readonly string[] };
  /** Hours of notice before somebody comes into a home of a property. */
  entryRule: { readonly hours: number };
  /** What whoever goes into a home must know, and the days without entry. */
  access: HomeAccess;
  /** When an office writes to households, and when work passes to staff. */
  askingRule: AskingRule;
  /** A local rule that is stricter than the published standard about when something is put right. */
  repairTimes: { readonly name: string; readonly hours: LocalHours } | null;
  /** A home is in breach with a larger share of its parts past the line, 0 to 1. */
  breachShare: { readonly share: number };
  /** What a repair may cost without a manager's yes; null: anything. */
  approvalLimit: { readonly amount: number | null };
  /** Emergency, gas and office numbers of a property. */
  numbers: EmergencyNumbers;
  /** A household is asked about its habits at this machine at once, and why; null: it was taken back. */
  coaching: { readonly at: number; readonly symptom: string } | null;
  /** What a new machine of this kind would cost. */
  replacementPrice: { readonly price: number };
  /** The photo that shows where a part is, taken at its first job. */
  whereabouts: { readonly photoId: string };
  /** The Monday of the week in which a point without a record is brought to a baseline. */
  baseline: Day;
}

export type FactName = keyof FactValues;
