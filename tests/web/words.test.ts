import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fieldsText } from '../../contract/form/en.ts';
import { parseRule } from '../../core/calendar/rule.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import { translator, type Translator } from '../../core/language/message.ts';
import { IntlMessageFormat } from 'intl-messageformat';
import { VOICES, wantsOf } from '../../bench/textTypes.ts';
import { Problem } from '../../server/context/problem.ts';
import type { WebText } from '../../web/language/text.ts';
import { serverVoice, serverVoiceDe } from '../../server/language/voice.ts';
import { measureText } from '../../core/measure/en.ts';
import { registerText } from '../../core/register/en.ts';
import { catalogueDeskText } from '../../web/catalogue/en.ts';
import { deskText } from '../../web/desk/en.ts';
import { deskVoice } from '../../web/desk/voice.ts';
import { deskVoiceDe } from '../../web/desk/voice.de.ts';
import { tenantVoiceDe } from '../../web/tenant/voice.de.ts';
import { dueDeskText } from '../../web/due/en.ts';
import { measureDeskText } from '../../web/measure/en.ts';
import { namesBy } from '../../web/register/useTemplates.ts';
import { peopleText } from '../../web/people/en.ts';
import { registerDeskText } from '../../web/register/en.ts';
import { doingText } from '../../web/tenant/en.ts';

/** The desk's words, with those of the core's measurements and tables that it says too. */
const DESK = {
  ...peopleText,
  ...deskText,
  ...dueDeskText,
  ...catalogueDeskText,
  ...registerDeskText,
  ...measureDeskText,
};

const WEB = resolve(import.meta.dirname, '../../web');

function filesUnder(folder: string): string[] {
  return readdirSync(folder, { recursive: true })
    .map((it) => join(folder, String(it)))
    .filter((it) => /\.(vue|ts)$/.test(it) && !/\/(en|text)\.ts$|\.d\.ts$|config/.test(it));
}

/** A file and everything of the web that it imports, lazily or not. */
function reach(entry: string, seen = new Set<string>()): Set<string> {
  if (seen.has(entry) || !entry.startsWith(WEB)) return seen;
  seen.add(entry);
  for (const [, path] of readFileSync(entry, 'utf8').matchAll(/(?:from|import)\s*\(?'(\.[^']+)'/g)) {
    const target = resolve(dirname(entry), path!);
    if (/\.(vue|ts)$/.test(target) && !target.endsWith('en.ts')) reach(target, seen);
  }
  return seen;
}

/** Keys said literally, and the fixed beginnings of those put together. */
function keysIn(file: string): { whole: string[]; begun: string[] } {
  const text = readFileSync(file, 'utf8');
  const whole = [...text.matchAll(/\bsay(?:\.text)?\('([\w.]+)'/g)].map(([, key]) => key!);
  const chosen = [...text.matchAll(/\bsay(?:\.text)?\([^'`)]*\? '([\w.]+)' : '([\w.]+)'/g)].flatMap(([, a, b]) => [
    a!,
    b!,
  ]);
  const begun = [...text.matchAll(/\bsay(?:\.text)?\((?:[^'`()]*\? )?`([a-z][\w.]+\.)\$\{/g)].map(
    ([, start]) => start!,
  );
  return { whole: [...whole, ...chosen], begun };
}

function unknown(files: Iterable<string>, messages: Record<string, string>): string[] {
  return [...files].flatMap((file) => {
    const { whole, begun } = keysIn(file);
    return [
      ...whole.filter((key) => !(key in messages)),
      ...begun.filter((start) => !Object.keys(messages).some((key) => key.startsWith(start))),
    ].map((key) => `${relative(WEB, file)}: ${key}`);
  });
}

describe('Words', () => {
  it('are there for everything the desk says', () => {
    expect(unknown(reach(join(WEB, 'desk/main.ts')), deskVoice)).to.deep.equal([]);
  });
  it('are there for everything a tenant can reach, without the desk’s', () => {
    const files = reach(join(WEB, 'tenant/main.ts'));
    expect([...files].some((file) => file.endsWith('JobRunner.vue'))).to.equal(true);
    expect(unknown(files, { ...fieldsText, ...doingText })).to.deep.equal([]);
  });
  it('are all used: no key is left over', () => {
    const said = filesUnder(WEB)
      .map((file) => readFileSync(file, 'utf8'))
      .join('\n');
    const begun = filesUnder(WEB).flatMap((file) => keysIn(file).begun);
    const idle = Object.keys({ ...DESK, ...doingText }).filter(
      (key) =>
        !(key in measureText) &&
        !(key in registerText) &&
        !said.includes(`'${key}'`) &&
        !begun.some((start) => key.startsWith(start)),
    );
    expect(idle).to.deep.equal([]);
  });
  it('can all be formatted', () => {
    const all = { ...serverVoice, ...deskVoice };
    const say = translator('en-GB', all);
    const values = Object.fromEntries(
      [
        ...Object.values(all)
          .join(' ')
          .matchAll(/\{(\w+)/g),
      ].map(([, name]) => [name!, 2]),
    );
    for (const key of Object.keys(all)) expect(say.text(key, values), key).not.to.equal('');
  });
  it('are there whole in German, wanting the same with each text, and no English is left among them', () => {
    const wants = (text: string, locale: string) => [...wantsOf(new IntlMessageFormat(text, locale).getAst()).keys()];
    for (const [english, german] of [
      [serverVoice, serverVoiceDe],
      [deskVoice, deskVoiceDe],
      [{ ...fieldsText, ...doingText }, tenantVoiceDe],
    ] as readonly (readonly [Record<string, string>, Record<string, string>])[]) {
      expect(Object.keys(german)).to.have.members(Object.keys(english));
      for (const [key, text] of Object.entries(english)) {
        expect(wants(german[key]!, 'de'), key).to.have.members(wants(text, 'en-GB'));
        const spoken = german[key]!.replaceAll(/\{\w+,?/g, '');
        expect(spoken, key).not.to.match(/\b(the|and|of|with|without|your|from|than)\b/);
        expect(spoken, key).not.to.match(/[“’]s|[A-Za-z]’/);
      }
    }
  });
  it('are formatted in German: plurals, numbers, days and amounts as people there write them', () => {
    const say: Translator<WebText> = translator('de-DE', deskVoiceDe);
    expect(say('line.past', { count: 1 })).to.equal('Ein Teil ist über der Linie');
    expect(say('line.past', { count: 7 })).to.equal('7 Teile sind über der Linie');
    expect(say('line.pastCount', { count: 1234 })).to.equal('1.234 darüber');
    expect(say.day(20781)).to.equal('24. November 2026');
    expect(say.money(1234.5, 'EUR')).to.match(/^1\.234,50\s€$/);
    expect(say.money(40, 'EUR')).to.match(/^40\s€$/);
    expect(say.figure(1.25)).to.equal('1,3');
    // A month cut short has its point already.
    expect(translator('de-DE', { end: 'Bis {day}.' }).text('end', { day: say.shortDay(20781) })).to.equal(
      'Bis 24. Nov.',
    );
    expect(say.list(['a', 'b', 'c'])).to.equal('a, b und c');
    const values = Object.fromEntries(
      [
        ...Object.values({ ...serverVoiceDe, ...deskVoiceDe })
          .join(' ')
          .matchAll(/\{(\w+)/g),
      ].map(([, name]) => [name!, 2]),
    );
    for (const all of [serverVoiceDe, deskVoiceDe] as readonly Record<string, string>[]) {
      const voice = translator('de-DE', all);
      for (const key of Object.keys(all)) expect(voice.text(key, values), key).not.to.equal('');
    }
  });
  it('say rules in German', () => {
    const say = translator('de-DE', serverVoiceDe);
    const words = (rule: string) => ruleWords(say, parseRule(rule), 20781);
    expect(words('FREQ=MONTHLY;BYDAY=1SA')).to.equal('am ersten Samstag jedes Monats');
    expect(words('FREQ=WEEKLY;INTERVAL=2;BYDAY=FR')).to.equal('Freitag alle 2 Wochen');
    expect(words('FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=-1')).to.equal('am letzten Tag jedes zweiten Monats');
    expect(words('FREQ=YEARLY;BYMONTH=3,9;BYMONTHDAY=1')).to.equal('am 1. im März und September');
  });
  it('name units by a pattern, the number where its sign stands', () => {
    expect(namesBy('Flat #', 3, 2)).to.deep.equal(['Flat 3', 'Flat 4']);
    expect(namesBy('# Quay Street', 1, 2)).to.deep.equal(['1 Quay Street', '2 Quay Street']);
    expect(namesBy('Lodge', 1, 1)).to.deep.equal(['Lodge']);
    expect(namesBy('Lodge', 1, 2)).to.deep.equal(['Lodge 1', 'Lodge 2']);
    expect(namesBy('x', 1, -1)).to.deep.equal([]);
  });
  it('count in plurals and write days as people do', () => {
    const say: Translator<WebText> = translator('en-GB', deskText);
    expect(say('line.past', { count: 1 })).to.equal('One point is past the line');
    expect(say('line.past', { count: 7 })).to.equal('7 points are past the line');
    expect(say.day(20781)).to.equal('24 November 2026');
    expect(() => say.text('no.such.key')).to.throw(RangeError);
  });
  it('are typed as they stand: npm run text has nothing to write', () => {
    for (const [path, text] of Object.entries(VOICES))
      expect(readFileSync(resolve(WEB, '..', path), 'utf8'), path).to.equal(text);
  });
  it('do not compile with a wrong key, a missing value or one too many', () => {
    const say: Translator<WebText> = translator('en-GB', deskText);
    const mistakes = [
      // @ts-expect-error no such key
      () => say('line.passed', { count: 1 }),
      // @ts-expect-error its value is missing
      () => say('line.past'),
      // @ts-expect-error the value has the wrong type
      () => say('line.past', { count: 'one' }),
      // @ts-expect-error one value too many
      () => say('line.past', { count: 1, days: 2 }),
      // @ts-expect-error a family without any text
      (name: string) => say(`line.no.such.${name}`),
      // @ts-expect-error a key that is only known to be a text
      (key: string) => say(key),
      // @ts-expect-error a problem without what its sentence wants
      () => new Problem(413, 'tooLarge'),
    ];
    expect(mistakes).to.have.length(7);
  });
  it('are parsed to what they want, nested forms included', () => {
    const wants = (text: string) => Object.fromEntries(wantsOf(new IntlMessageFormat(text, 'en-GB').getAst()));
    expect(wants('Nothing')).to.deep.equal({});
    expect(wants('{days, plural, one {{who} once} other {# by {who}}}')).to.deep.equal({
      days: 'number',
      who: 'plain',
    });
    expect(wants('{why, select, none {} other {, {why}}}'), 'chosen by and said').to.deep.equal({ why: 'plain' });
    expect(wants('{so, select, true {<b>{a, number}</b>} other {}}')).to.deep.equal({ so: 'select', a: 'number' });
  });
});
