/** What each measurement says, term by term, worked out by hand beside it; and how rehearsals, times and tables end. */
import { expect } from 'chai';
import { civilOf, dayOfCivil, daysInMonth } from '../../core/calendar/civil.ts';
import { dayFromIso } from '../../core/calendar/day.ts';
import { parseRule } from '../../core/calendar/rule.ts';
import { referencePicture, scenePicture } from '../../core/catalogue/picture.ts';
import { coreText } from '../../core/en.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import { translator } from '../../core/language/message.ts';
import { seeded } from '../../core/statistics/random.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { questionsOf, rightOf } from '../../core/jobs/rehearsal.ts';
import { measureOf, MEASURES, type MeasureInputs } from '../../core/measure/measures.ts';
import { nextTuning } from '../../core/measure/tuning.ts';
import { boundedClaim, CLOCK_SLACK_MS, CLOCK_TRUST_MS, trueTimes } from '../../core/proof/claim.ts';
import { exifOf, upright, withExif } from '../../core/proof/exif.ts';
import { openings } from '../../core/proof/readings.ts';
import { volumeWords } from '../../core/quantities/words.ts';
import { gammaCdf } from '../../core/statistics/gamma.ts';
import { actualSize, parseFilterSize } from '../../core/quantities/filterSize.ts';
import { encodingOf } from '../../core/register/decode.ts';

const said = (key: string, inputs: MeasureInputs) => {
  const { terms, limits } = measureOf(key).work(inputs);
  return { terms: terms.map((it) => [it.key, it.values]), limits: limits.map((it) => [it.key, it.met, it.values]) };
};

describe('The working of a measurement', () => {
  it('of a filter names the printed size, the frame behind it, the face, the flow and the speed', () => {
    // 16 × 25 = 400 in² = 2.778 ft²; 1,000 ÷ 2.778 = 360 ft/min; a face for 300 ft/min is 480 in².
    expect(said('face', { size: '16x25x1', cfm: 1000 })).to.deep.equal({
      terms: [
        ['fit.nominal', { size: '16 × 25 × 1 in' }],
        ['fit.actual', { size: '15.5 × 24.5 × 0.75 in' }],
        ['face.area', { sqIn: 400, sqFt: 2.778, width: 16, height: 25 }],
        ['face.flow', { cfm: 1000, tons: 2.5 }],
        ['face.velocity', { fpm: 360, ms: 1.83 }],
      ],
      limits: [['face.thin', false, { fpm: 300, wanted: 480 }]],
    });
  });
  it('of a duct adds five feet for each mitred elbow, and holds it to the code or to its maker (IRC M1502)', () => {
    const run = { straight: 6096, radius: 'mitred4', bends90: 2, bends45: 0, maker: '' };
    // 20 ft and twice 5 ft; the code’s 35 ft.
    expect(said('duct', run)).to.deep.equal({
      terms: [
        ['duct.straight', { metres: 6.1, feet: 20 }],
        ['duct.elbow', { radius: 'mitred4', degrees: 90, count: 2, metres: 3.05, feet: 10 }],
        ['duct.total', { metres: 9.14, feet: 30 }],
      ],
      limits: [['duct.code', true, { metres: 10.67, feet: 35, over: 0 }]],
    });
    expect(said('duct', { ...run, maker: 9000 }).limits).to.deep.equal([
      ['duct.maker', false, { metres: 9, feet: 29.5, over: 0.14 }],
    ]);
    const { maker: _none, ...without } = run;
    expect(said('duct', without).limits[0]![0]).to.equal('duct.code');
  });
  it('of a pump names litres, their flow and what share came out', () => {
    // 7.3 L in 35 s are 12.5 L/min; 7.3 of 7.5 are 97 %; 7.3 L are 1.9 US gallons.
    expect(said('pump', { poured: 7.5, pumped: 7.3, seconds: 35 })).to.deep.equal({
      terms: [
        ['pump.out', { litres: 7.3, gallons: 1.9, seconds: 35 }],
        ['pump.rate', { rate: 12.5 }],
        ['pump.share', { percent: 97 }],
      ],
      limits: [
        ['pump.rate', true, { rate: 5 }],
        ['pump.share', true, { percent: 80 }],
      ],
    });
    expect(said('pump', { poured: 10, pumped: 5, seconds: 60 }).limits.map(([, met]) => met)).to.deep.equal([
      true,
      false,
    ]);
    expect(said('pump', { poured: 10, pumped: 8, seconds: 97 }).limits.map(([, met]) => met)).to.deep.equal([
      false,
      true,
    ]);
  });
  it('of a dishwasher’s water counts fifty-two weeks', () => {
    // 6.5 gal = 24.6 L, 260 cycles; 16 gal = 60.6 L, 156 cycles.
    expect(said('water', { cycles: 5, age: 'now' }).terms).to.deep.equal([
      ['water.cycle', { litres: 24.6, gallons: 6.5 }],
      ['water.year', { litres: 6397, cycles: 260 }],
    ]);
    expect(said('water', { cycles: 3, age: 'old' }).terms[1]).to.deep.equal([
      'water.year',
      { litres: 9448, cycles: 156 },
    ]);
  });
  it('of detergent begins with half a cup or a whole one, and takes a quarter off for half a load', () => {
    expect(said('detergent', { hardness: 120, load: 'full', age: 'now' }).terms).to.deep.equal([
      ['detergent.now', { percent: 50 }],
      ['detergent.water', { class: 'moderate', factor: 1 }],
      ['detergent.share', { percent: 50 }],
    ]);
    expect(said('detergent', { hardness: 120, load: 'half', age: 'old' }).terms).to.deep.equal([
      ['detergent.old', { percent: 100 }],
      ['detergent.water', { class: 'moderate', factor: 1 }],
      ['detergent.half', { factor: 0.75 }],
      ['detergent.share', { percent: 75 }],
    ]);
  });
  it('of a mixture and of doses has no limits', () => {
    expect(said('dilution', { total: 1000, parts: 3 })).to.deep.equal({
      terms: [
        ['dilution.agent', { ml: 250 }],
        ['dilution.water', { ml: 750, parts: 3 }],
        ['dilution.total', { ml: 1000, percent: 25 }],
      ],
      limits: [],
    });
    expect(said('dose', { each: 60, count: 7 }).terms[1]).to.deep.equal(['dose.total', { ml: 420 }]);
  });
  it('of cold says which compartment to turn, and which way', () => {
    expect(said('cold', { fridge: 6, freezer: -18 }).terms[2]).to.deep.equal([
      'cold.turn',
      { compartment: 'fridge', direction: 'colder' },
    ]);
  });
  it('is asked for in fields of its kinds, kept with parts that there are, and fills readings that they ask for', () => {
    expect(
      Object.fromEntries(
        MEASURES.map(({ key, fields }) => [key, fields.map((it) => `${it.key} ${it.kind}`).join(', ')]),
      ),
    ).to.deep.equal({
      face: 'size text, cfm number',
      duct: 'straight mm, radius choice, bends90 number, bends45 number, maker mm',
      drop: 'return celsius, supply celsius',
      drying: 'minutes number',
      pump: 'poured litres, pumped litres, seconds number',
      cold: 'fridge celsius, freezer celsius',
      dilution: 'total ml, parts number',
      dose: 'each ml, count number',
      hardness: 'value number, unit choice',
      detergent: 'hardness number, load choice, age choice',
      water: 'cycles number, age choice',
    });
    for (const { key, of, reads = {} } of MEASURES) {
      for (const procedure of of) expect([...procedures.keys()], key).to.include(procedure);
      const asked = of.flatMap((it) =>
        procedures
          .get(it)!
          .steps.flatMap(({ needs }) => needs.map((need) => (need.kind === 'reading' ? need.key : ''))),
      );
      for (const reading of Object.values(reads)) expect(asked, key).to.include(reading);
    }
    expect(measureOf('pump').of).to.include('dishwasher.filter');
    expect(measureOf('dose').of).to.deep.equal(['drains.dose']);
  });
  it('refuses what is no number, no choice and out of range, and says which', () => {
    const work = (key: string, inputs: MeasureInputs) => () => measureOf(key).work(inputs);
    expect(work('drying', { minutes: '' })).to.throw(RangeError, 'minutes must be a number');
    expect(work('drying', { minutes: 0 })).to.throw(RangeError, 'minutes must be between 1 and 600: 0');
    expect(work('hardness', { value: 1, unit: 'x' })).to.throw(RangeError, /^unit must be one of .*gpg/);
    expect(work('face', { size: 'x', cfm: 1 })).to.throw(RangeError, 'size must be a filter size');
  });
});

describe('Turning a refrigerator', () => {
  it('takes food out first, and says of which compartment', () => {
    expect(said('cold', { fridge: 12, freezer: -18 }).terms[2]).to.deep.equal([
      'cold.foodFirst',
      { compartment: 'fridge' },
    ]);
  });
  it('leaves the limits themselves alone (US FDA: 4 °C and −18 °C)', () => {
    const next = (fridgeC: number, freezerC: number | null) => nextTuning([{ at: 0, fridgeC, freezerC }], 0);
    expect(next(4, -18)).to.deep.equal({ do: 'done' });
    expect(next(4, null)).to.deep.equal({ do: 'done' });
    expect(next(4.1, null)).to.deep.equal({ do: 'turn', compartment: 'fridge', direction: 'colder' });
  });
});

describe('A rehearsal', () => {
  const steps = (['isolate', 'open', 'look', 'clean', 'isolate', 'refit', 'test'] as const).map((phase, i) => ({
    key: `${phase}${i}`,
    phase,
  }));
  const matter = { steps, stops: ['a'], otherStops: ['a', 'b', 'c'] };
  const all = () => Array.from({ length: 60 }, (_, seed) => questionsOf(matter, seed));
  it('asks about stop points only where two others can be mistaken for them', () => {
    const kinds = (otherStops: readonly string[]) => questionsOf({ ...matter, otherStops }, 1).map(({ kind }) => kind);
    expect(kinds(['b', 'c'])).to.include('stop');
    expect(kinds(['a', 'b'])).to.not.include('stop');
  });
  it('never offers a second step of isolating for what comes before opening', () => {
    for (const questions of all()) {
      const it = questions.find(({ kind }) => kind === 'beforeOpening')!;
      expect(it.options[it.right]).to.equal('isolate0');
      expect(it.options).to.not.include('isolate4');
    }
  });
  it('shows a picture after its look, beside its neighbours', () => {
    for (const questions of all()) {
      const it = questions.find(({ kind }) => kind === 'picture')!;
      expect(it.after).to.equal(3);
      const at = GRADES.indexOf(it.grade!);
      const far = Math.max(...it.options.map((grade) => Math.abs(GRADES.indexOf(grade as never) - at)));
      expect(far, it.options.join()).to.be.at.most(at === 0 || at === GRADES.length - 1 ? 2 : 1);
    }
  });
  it('asks for every grade and puts the right answer anywhere', () => {
    const pictures = all().map((questions) => questions.find(({ kind }) => kind === 'picture')!);
    expect(new Set(pictures.map(({ grade }) => grade)).size).to.equal(GRADES.length);
    expect(new Set(pictures.map(({ right }) => right))).to.deep.equal(new Set([0, 1, 2]));
  });
  it('counts the answers that are right', () => {
    const [questions] = all();
    const right = questions!.map((it) => it.right);
    expect(rightOf(questions!, right)).to.equal(questions!.length);
    expect(rightOf(questions!, [right[0]! + 1, ...right.slice(1)])).to.equal(questions!.length - 1);
  });
});

describe('Times that a device claims', () => {
  const NOW = 1_000_000_000;
  it('are moved where its clock is off by more than two minutes, and left alone up to that', () => {
    const times = (off: number) =>
      trueTimes({ startedAt: NOW - 900_000, doneAt: NOW - 600_000, deviceAt: NOW - off }, NOW);
    expect(times(CLOCK_TRUST_MS)).to.deep.equal({ startedAt: NOW - 900_000, doneAt: NOW - 600_000 });
    expect(times(CLOCK_TRUST_MS + 1)).to.deep.equal({
      startedAt: NOW - 900_000 + CLOCK_TRUST_MS + 1,
      doneAt: NOW - 600_000 + CLOCK_TRUST_MS + 1,
    });
  });
  it('are believed from ten minutes before the work was asked for', () => {
    const claim = (doneAt: number) =>
      boundedClaim({ startedAt: doneAt - 1, doneAt }, { from: NOW, receivedAt: NOW + 9 });
    expect(claim(NOW - CLOCK_SLACK_MS).outside).to.equal(false);
    expect(claim(NOW - CLOCK_SLACK_MS - 1)).to.deep.equal({ startedAt: null, doneAt: NOW + 9, outside: true });
  });
});

describe('The Exif of a photo (CIPA DC-008, TIFF 6.0)', () => {
  /** A segment of one entry, the orientation, big-endian. */
  const entry = [0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0];
  const tiff = [0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1, ...entry];
  const body = [0x45, 0x78, 0x69, 0x66, 0, 0, ...tiff];
  const exif = Uint8Array.from([0xff, 0xe1, 0, body.length + 2, ...body]);
  const bare = Uint8Array.from([0xff, 0xd8, 0xff, 0xda, 0, 2, 1, 2]);
  it('is found in a JPEG alone, whole, and before its picture', () => {
    const jpeg = withExif(bare, exif);
    expect(exifOf(jpeg)).to.deep.equal(exif);
    expect(exifOf(bare)).to.equal(null);
    expect(exifOf(Uint8Array.from([0, 0, ...jpeg.subarray(2)])), 'no JPEG').to.equal(null);
    expect(exifOf(jpeg.subarray(0, 20)), 'cut off').to.equal(null);
    expect(exifOf(Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 4, 1, 2, ...exif, 0xff, 0xda]))).to.deep.equal(exif);
  });
  it('says of a picture that was turned that it stands upright, and touches nothing else', () => {
    const turned = upright(exif);
    expect([...turned].map((byte, i) => (byte === exif[i] ? null : [i, byte])).filter(Boolean)).to.deep.equal([
      [exif.length - 3, 1],
    ]);
    const cut = exif.subarray(0, 19);
    expect(upright(cut)).to.deep.equal(Uint8Array.from(cut));
  });
});

describe('Sizes and tables at their edges', () => {
  it('take a filter of ten feet a side and a foot deep, and none larger', () => {
    const largest = [36, 48, 60, 72, 96, 120].filter((side) => parseFilterSize(`${side} x ${side} x 1 in`)).at(-1)!;
    expect(parseFilterSize(`${largest} x 20 x 12 in`)).to.deep.equal({ widthIn: largest, heightIn: 20, depthIn: 12 });
    expect(parseFilterSize('20 x 20 x 12.5 in')).to.equal(undefined);
    expect(parseFilterSize('2000 x 20 x 1 in')).to.equal(undefined);
  });
  it('take a quarter of an inch off the depth of thin filters alone', () => {
    expect(actualSize({ widthIn: 16, heightIn: 25, depthIn: 2 }).depthIn).to.equal(1.75);
    expect(actualSize({ widthIn: 16, heightIn: 25, depthIn: 4 }).depthIn).to.equal(4);
  });
  it('read a table in UTF-16 only by both bytes of its mark', () => {
    expect(encodingOf(Uint8Array.from([0xfe, 0xff, 0, 0x41]))).to.equal('utf-16be');
    expect(encodingOf(Uint8Array.from([0xff, 0xfe, 0x41, 0]))).to.equal('utf-16le');
    expect(encodingOf(Uint8Array.from([0xfe, 0x41]))).to.equal('windows-1252');
    expect(encodingOf(Uint8Array.from([0x41, 0xff]))).to.equal('windows-1252');
    expect(encodingOf(Uint8Array.from([0xc3, 0xa9]))).to.equal('utf-8');
  });
});

describe('Chance from a seed', () => {
  it('is mulberry32 (its well-known first values for the seed 1; from memory)', () => {
    const random = seeded(1);
    expect([random(), random(), random()]).to.deep.equal([
      0.6270739405881613, 0.002735721180215478, 0.5274470399599522,
    ]);
  });
});

describe('Drawings of what may be found', () => {
  const marks = (procedure: string, grade: (typeof GRADES)[number], tag: string) =>
    referencePicture(procedure, grade).split(`<${tag} `).length;
  it('have a hundred and fifty marks to a load, lint as threads and dirt as specks, up to three loads', () => {
    expect(marks('dishwasher.filter', 'due', 'ellipse') - marks('dishwasher.filter', 'clean', 'ellipse')).to.equal(142);
    expect(marks('dryer.lintScreen', 'due', 'path') - marks('dryer.lintScreen', 'clean', 'path')).to.equal(142);
    expect(scenePicture('dishwasher.filter', 3, 5)).to.equal(scenePicture('dishwasher.filter', 9, 5));
    expect(scenePicture('dishwasher.filter', 2.9, 5)).to.not.equal(scenePicture('dishwasher.filter', 3, 5));
  });
  it('lie anywhere on their ground, with clutter all over it', () => {
    const scenes = Array.from({ length: 60 }, (_, seed) => scenePicture('dishwasher.filter', 1, seed));
    const heights = scenes.map((it) => Number(/translate\(-?\d+ (-?\d+)\)/.exec(it)![1]));
    expect(Math.min(...heights)).to.be.within(-23, -15);
    expect(Math.max(...heights)).to.be.within(15, 23);
    const sides = scenes.flatMap((it) => [...it.matchAll(/<rect x="(-?\d+)"/g)].map(([, x]) => Number(x)));
    expect(Math.min(...sides)).to.be.within(-20, -10);
    expect(Math.max(...sides)).to.be.within(180, 200);
  });
});

describe('A rule in words', () => {
  const words = (text: string) => ruleWords(translator('en-GB', coreText), parseRule(text), dayFromIso('2026-01-03'));
  it('counts weekdays and dates from either end', () => {
    expect(words('FREQ=MONTHLY;BYDAY=2TU')).to.equal('on the 2nd Tuesday of every month');
    expect(words('FREQ=MONTHLY;BYDAY=-2FR')).to.equal('on the last but one Friday of every month');
    expect(words('FREQ=MONTHLY;BYMONTHDAY=-1')).to.equal('on the last day of every month');
    expect(words('FREQ=MONTHLY;BYMONTHDAY=-3')).to.equal('on the 3rd day from the end of every month');
    expect(words('FREQ=DAILY')).to.equal('every day');
  });
});

describe('Days, amounts and times in words', () => {
  it('go through every day of four hundred years, one after the other', () => {
    let [year, month, date] = [2000, 1, 1];
    const first = dayOfCivil(2000, 1, 1);
    for (let day = first; day < first + 146_097; day += 1) {
      const civil = civilOf(day);
      if (civil.year !== year || civil.month !== month || civil.date !== date)
        expect(civil, String(day)).to.deep.equal({ year, month, date });
      date += 1;
      if (date > daysInMonth(year, month)) [month, date] = [month + 1, 1];
      if (month > 12) [year, month] = [year + 1, 1];
    }
    expect([year, month, date]).to.deep.equal([2400, 1, 1]);
  });
  it('say litres by their figures and cups by their fractions', () => {
    const say = translator('en-GB', coreText);
    expect(volumeWords(say, 1500, 'metric')).to.equal('1.5 L');
    expect(volumeWords(say, 354.88, 'us')).to.equal('1½ cups');
  });
  it('say an instant in the zone of the place', () => {
    const say = translator('en-GB', coreText);
    expect(say.time(Date.UTC(2026, 6, 5, 11, 30), 'Europe/Dublin')).to.match(/5 Jul.*12:30/);
    expect(say.time(Date.UTC(2026, 6, 5, 11, 30), 'UTC')).to.match(/5 Jul.*11:30/);
  });
  it('refuse what is none, and say what is wrong', () => {
    expect(() => gammaCdf(1, 0, 1)).to.throw(RangeError, 'shape and scale > 0: 0, 1');
    expect(() => parseRule('FREQ=MONTHLY;BYSETPOS=1')).to.throw(RangeError, 'another BY part');
    expect(() => measureOf('nothing')).to.throw(RangeError, 'nothing');
  });
});

describe('What a reading opens', () => {
  const [need] = procedures
    .get('airHandler.condensateDrain')!
    .steps.flatMap(({ needs }) => needs)
    .filter((it) => it.kind === 'reading');
  if (need?.kind !== 'reading' || !need.opens?.beyond) throw new Error('The drain has a limit.');
  const limit = need.opens.beyond.at;
  const open = (figure: number, earlier: readonly number[] = []) =>
    openings([need], { [need.key]: figure }, () => earlier).map(({ why }) => why);
  it('lies beyond its limit, not on it', () => {
    expect(open(limit)).to.deep.equal([]);
    expect(open(limit + 1)).to.deep.equal(['beyond']);
    expect(openings([need], {}, () => [])).to.deep.equal([]);
  });
  it('has drifted from half way between what the machine read at first and its limit', () => {
    const first = [10, 10, 10];
    const half = (10 + limit) / 2;
    expect(open(half, first)).to.deep.equal(['drift']);
    expect(open(half - 1, first)).to.deep.equal([]);
    expect(open(half, first.slice(1))).to.deep.equal([]);
  });
});
