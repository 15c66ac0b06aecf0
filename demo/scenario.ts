/** The demo's invented place: Saltmarsh & Vane, a letting office in Port Ellery. Nobody and nothing here is real. */
import type { Cooking, Detergent } from '../core/due/drivers.ts';
import type { Practice } from '../core/catalogue/practice.ts';

export const ORGANISATION = 'Saltmarsh & Vane';
/** Where the mail stand-in of the demo takes letters. */
export const MAIL_PORT = 4625;
export const ZONE = 'Europe/Dublin';

export const MANAGER = { name: 'R. Okonjo-Vane', email: 'vane@saltmarsh.example', password: 'ropewalk-demo' };
export const STAFF = [
  { name: 'T. Hollis', email: 'hollis@saltmarsh.example', password: 'ropewalk-demo' },
  { name: 'M. Ferreday', email: 'ferreday@saltmarsh.example', password: 'ropewalk-demo' },
];

/** How a tenant goes about it. */
export interface Habits {
  /** Mean days from being asked to sending. */
  readonly delay: number;
  /** Chance of never getting round to it before being asked again. */
  readonly lapse: number;
  /** Sends an old photo the last time. */
  readonly resends?: boolean;
}

export interface Home {
  readonly name: string;
  readonly tenant?: string;
  readonly people: number;
  readonly pets: number;
  readonly cooking: Cooking;
  readonly loads?: number;
  readonly cool?: boolean;
  readonly detergent?: Detergent;
  readonly habits: Habits;
  readonly machines: readonly MachineSketch[];
  /** Parts here foul this many times faster than assumed. */
  readonly fast?: Readonly<Record<string, number>>;
  /** A short name for the personal link. */
  readonly link?: string;
}

export interface MachineSketch {
  readonly type: string;
  readonly maker: string;
  readonly model: string;
  readonly branch?: string;
  readonly size?: string;
  /** Installed so many days ago; machines are as old as the history unless said. */
  readonly age?: number;
  readonly fuel?: 'gas';
  /** Parts that it lacks. */
  readonly leftOut?: readonly string[];
  /** Airflow of its system. */
  readonly cfm?: number;
  /** How many drains a dose is for. */
  readonly drains?: number;
}

export interface PropertySketch {
  readonly name: string;
  readonly address: string;
  readonly building: string;
  /** Null follows the organisation. */
  readonly practice: Practice | null;
  readonly water: { readonly source: 'public' | 'well'; readonly hardnessMgL: number };
  readonly homes: readonly Home[];
}

const steady: Habits = { delay: 4, lapse: 0.08 };
const slow: Habits = { delay: 11, lapse: 0.25 };
const keen: Habits = { delay: 1, lapse: 0 };

const air = (branch: string, size = '16 x 25 x 1'): MachineSketch => ({
  type: 'airHandler',
  maker: 'Brisoc',
  model: 'AH 30',
  branch,
  size,
});
const dishwasher = (branch: string): MachineSketch => ({ type: 'dishwasher', maker: 'Lavella', model: 'D45', branch });
const washer = (branch: string, age?: number): MachineSketch => ({
  type: 'washer',
  maker: 'Tidesse',
  model: 'W7 front',
  branch,
  ...(age && { age }),
});
const fridge: MachineSketch = {
  type: 'refrigerator',
  maker: 'Norrkyl',
  model: 'F280',
  leftOut: ['refrigerator.iceMaker'],
};
const dryer = (fuel?: 'gas'): MachineSketch => ({
  type: 'dryer',
  maker: 'Tidesse',
  model: fuel ? 'V8 gas' : 'V8',
  ...(fuel && { fuel }),
});

const hood: MachineSketch = { type: 'hood', maker: 'Brisoc', model: 'H2' };

const bathFan: MachineSketch = { type: 'bathFan', maker: 'Brisoc', model: 'B1' };
const thermostat: MachineSketch = { type: 'thermostat', maker: 'Brisoc', model: 'T2' };
const outdoorUnit: MachineSketch = { type: 'outdoorUnit', maker: 'Brisoc', model: 'OU 60' };
const condenserDryer = (branch: string): MachineSketch => ({
  type: 'condenserDryer',
  maker: 'Tidesse',
  model: 'C7',
  branch,
});
const drains: MachineSketch = { type: 'drains', maker: '', model: '', drains: 7 };

const flat = (riser: string) => [air(riser), dishwasher(riser), washer(riser), fridge, hood, bathFan];
const low = (branch: string) => [dishwasher(branch), washer(branch), fridge];
const house = (branch: string, fuel?: 'gas') => [dryer(fuel), dishwasher(branch), washer(branch), fridge, hood];

export const PROPERTIES: readonly PropertySketch[] = [
  {
    name: 'The Ropewalk',
    address: '2 Hawser Lane, Port Ellery',
    building: 'Long House',
    practice: null,
    water: { source: 'public', hardnessMgL: 160 },
    homes: [
      {
        name: 'Flat 1A',
        tenant: 'E. Pellow',
        people: 1,
        pets: 0,
        cooking: 'average',
        habits: keen,
        machines: flat('East riser'),
        fast: { 'dishwasher.filter': 1.9 },
        link: 'demo-flat-1a',
      },
      {
        name: 'Flat 1B',
        tenant: 'I. Marrable',
        people: 4,
        pets: 0,
        cooking: 'frequent',
        loads: 8,
        habits: steady,
        machines: flat('West riser'),
        link: 'demo-flat-1b',
      },
      {
        name: 'Flat 2A',
        tenant: 'J. and O. Thwaite',
        people: 2,
        pets: 1,
        cooking: 'average',
        habits: steady,
        machines: flat('East riser'),
        fast: { 'dishwasher.filter': 1.7 },
      },
      {
        name: 'Flat 2B',
        tenant: 'S. Corrigan-Bly',
        people: 3,
        pets: 0,
        cooking: 'average',
        habits: slow,
        machines: flat('West riser'),
        fast: { 'airHandler.condensateDrain': 2.1 },
      },
      {
        name: 'Flat 3A',
        tenant: 'W. Addlestrop',
        people: 2,
        pets: 2,
        cooking: 'rare',
        habits: steady,
        machines: flat('East riser'),
        fast: { 'dishwasher.filter': 2 },
      },
      {
        name: 'Flat 3B',
        tenant: 'N. Yardley-Oke',
        people: 2,
        pets: 0,
        cooking: 'average',
        cool: true,
        habits: keen,
        machines: flat('West riser'),
      },
      {
        name: 'Plant room',
        people: 0,
        pets: 0,
        cooking: 'rare',
        habits: steady,
        machines: [{ ...air('Floor drain', '20 x 20 x 1'), model: 'AH 60', cfm: 1000 }, outdoorUnit, thermostat],
      },
    ],
  },
  {
    name: 'Tidemill Court',
    address: '1–6 Tidemill Court, Port Ellery',
    building: 'The Court',
    practice: 'light',
    water: { source: 'public', hardnessMgL: 45 },
    homes: [
      {
        name: 'No. 1',
        tenant: 'F. Umber',
        people: 2,
        pets: 0,
        cooking: 'average',
        habits: steady,
        machines: low('Yard drain'),
      },
      {
        name: 'No. 2',
        tenant: 'H. Sallow',
        people: 1,
        pets: 1,
        cooking: 'rare',
        habits: slow,
        machines: low('Yard drain'),
      },
      {
        name: 'No. 3',
        tenant: 'B. Quillon',
        people: 3,
        pets: 0,
        cooking: 'average',
        habits: { delay: 3, lapse: 0.05, resends: true },
        machines: low('Yard drain'),
        link: 'demo-no-3',
      },
      {
        name: 'No. 4',
        tenant: 'C. Darnley-Hope',
        people: 5,
        pets: 1,
        cooking: 'frequent',
        loads: 11,
        habits: steady,
        machines: [...low('Street drain'), condenserDryer('Street drain')],
      },
      {
        name: 'No. 5',
        tenant: 'P. Wray',
        people: 2,
        pets: 0,
        cooking: 'average',
        habits: keen,
        machines: low('Street drain'),
      },
      {
        name: 'No. 6',
        tenant: 'A. Lindqvist-Moor',
        people: 2,
        pets: 0,
        cooking: 'average',
        cool: true,
        habits: steady,
        machines: [dishwasher('Street drain'), fridge, washer('Street drain', 15)],
      },
    ],
  },
  {
    name: 'Samphire Row',
    address: '12–18 Samphire Row, Port Ellery',
    building: 'The terrace',
    practice: null,
    water: { source: 'well', hardnessMgL: 230 },
    homes: [
      {
        name: 'House 12',
        tenant: 'D. Oxtoby',
        people: 3,
        pets: 1,
        cooking: 'average',
        habits: steady,
        machines: [...house('Row 12'), drains],
      },
      {
        name: 'House 14',
        tenant: 'G. Fennimore',
        people: 2,
        pets: 0,
        cooking: 'average',
        habits: slow,
        machines: house('Row 14', 'gas'),
        link: 'demo-no-14',
      },
      {
        name: 'House 16',
        tenant: 'L. Brandreth',
        people: 4,
        pets: 2,
        cooking: 'frequent',
        loads: 9,
        habits: steady,
        machines: house('Row 16'),
        fast: { 'dryer.duct': 1.8 },
      },
      {
        name: 'House 18',
        tenant: 'K. Mowbray-Tull',
        people: 1,
        pets: 0,
        cooking: 'rare',
        habits: keen,
        machines: house('Row 18'),
      },
    ],
  },
];
