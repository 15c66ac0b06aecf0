/** The words of one procedure or machine side by side, as the keys that they are looked up by. */
import type { Messages } from '../../language/message.ts';

/** Title, body, and where present caution and button. */
export type StepWords = readonly [title: string, body: string, caution?: string, button?: string];

interface ProcedureWords {
  readonly point: string;
  readonly task: string;
  readonly why: string;
  /** What goes wrong most often. */
  readonly mistakes: string;
  readonly steps: Readonly<Record<string, StepWords>>;
  readonly confirm?: Readonly<Record<string, string>>;
  readonly photo?: Readonly<Record<string, string>>;
}

function stepWords(name: string, [title, body, caution, button]: StepWords): Record<string, string> {
  return {
    [`${name}.title`]: title,
    [`${name}.body`]: body,
    ...(caution && { [`${name}.caution`]: caution }),
    ...(button && { [`${name}.button`]: button }),
  };
}

const under = (prefix: string, texts: Readonly<Record<string, string>> = {}) =>
  Object.fromEntries(Object.entries(texts).map(([name, text]) => [`${prefix}.${name}`, text]));

/** The words of a procedure, by key. */
export function procedureWords(
  key: string,
  { point, task, why, mistakes, steps, confirm, photo }: ProcedureWords,
): Messages {
  return {
    [`point.${key}`]: point,
    [`task.${key}`]: task,
    [`why.${key}`]: why,
    [`mistakes.${key}`]: mistakes,
    ...Object.assign(
      {},
      ...Object.entries(steps).map(([name, words]) => stepWords(name.includes('.') ? name : `${key}.${name}`, words)),
    ),
    ...under(`confirm.${key}`, confirm),
    ...under(`photo.${key}`, photo),
  };
}

/** The words of a procedure that works like another, under its own key. */
export function wordsLike(from: string, to: string, texts: Messages): Messages {
  return Object.fromEntries(
    Object.entries(texts)
      .filter(([key]) =>
        new RegExp(`^(point|task|why|mistakes|confirm|photo)\\.${from.replace('.', '\\.')}(\\.|$)`).test(key),
      )
      .map(([key, text]) => [key.replace(from, to), text]),
  );
}

/** The name of a machine, and the steps that its procedures share. */
export function machineWords(type: string, name: string, steps: Readonly<Record<string, StepWords>> = {}): Messages {
  return {
    [`machine.${type}`]: name,
    ...Object.assign({}, ...Object.entries(steps).map(([step, words]) => stepWords(`${type}.${step}`, words))),
  };
}
