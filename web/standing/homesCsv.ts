/** Standing home by home, as a table to take away. */
import Papa from 'papaparse';
import type { StandingAnswer } from '../../contract/standing/standing.ts';
import { say } from '../language/say.ts';

/** One row a home, with the day as of which it is told, and the end of the log behind it. */
export function csvOf({ day, from, places, properties, log }: StandingAnswer): string {
  const names = new Map(properties.map(({ id, name }) => [id, name]));
  const fields = [
    ...(['day', 'from'] as const).map((key) => say(`standing.${key}`)),
    say('line.property'),
    ...(['home', 'verdict', 'parts', 'past'] as const).map((key) => say(`standing.column.${key}`)),
    ...(['parts.of', 'known', 'unknown', 'held', 'onTime', 'services', 'log'] as const).map((key) =>
      say(`standing.csv.${key}`),
    ),
  ];
  const data = places.map(({ name, propertyId, figures: { standing, days } }) => [
    day,
    from,
    names.get(propertyId),
    name,
    say(`standing.${standing.verdict}`),
    standing.inOrder.count,
    days.past,
    standing.inOrder.of,
    days.known,
    days.unknown,
    days.held,
    standing.onTime.count,
    standing.onTime.of,
    log.head,
  ]);
  return Papa.unparse({ fields, data }, { escapeFormulae: true });
}
