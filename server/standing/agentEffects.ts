/** What parts are cleaned with and how it turns out, from every service that says what was used. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import { costAYear, foulingRate } from '../../core/due/agents.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { meanOfKnown } from '../../core/statistics/mean.ts';
import { wilsonInterval } from '../../core/statistics/proportion.ts';
import type { AgentEffect, AgentEffectsAnswer } from '../../contract/standing/agentEffects.ts';
import type { Call } from '../context/context.ts';
import type { Translator } from '../language/translator.ts';
import { readCleanings, type CleaningRow } from '../sql/agents.ts';
import { factsOf } from '../store/facts.ts';
import type { FactValues } from '../store/factValues.ts';

/** Fewer services of a way are not shown. Our assumption. */
const LEAST_SERVICES = 3;

/** Kinds of part by the ways in which they are cleaned. */
export async function listAgentEffects(call: Call): Promise<AgentEffectsAnswer> {
  const {
    db,
    env: { say },
    actor: { organisationId, currency },
  } = call;
  const [rows, facts] = await Promise.all([readCleanings(db, organisationId), factsOf(db, [organisationId], 'prices')]);
  const prices = facts.at(-1)?.value ?? null;
  const parts = [...grouped(rows, ({ procedure }) => procedure)]
    .map(([procedure, its]) => ({
      procedure,
      name: say(`point.${procedure}`),
      services: its.length,
      ways: [...grouped(its, ({ agents }) => agents)]
        .filter(([, same]) => same.length >= LEAST_SERVICES)
        .map(([agents, same]) => effectOf(say, procedure, agents, same, prices))
        .sort((a, b) => b.services - a.services),
    }))
    .sort((a, b) => b.services - a.services);
  return {
    currency,
    parts: parts.filter(({ ways }) => ways.length > 1).map(({ procedure, name, ways }) => ({ procedure, name, ways })),
    oneWay: parts.filter(({ ways }) => ways.length === 1).length,
  };
}

function effectOf(
  say: Translator,
  procedure: string,
  agents: string,
  rows: readonly CleaningRow[],
  prices: FactValues['prices'] | null,
): AgentEffect {
  const used = JSON.parse(agents) as Agent[];
  const told = rows.filter(({ after }) => after !== null);
  const fouls =
    foulingRate(
      rows.flatMap(({ day, nextDay, nextGrade, intervalDays }) =>
        nextDay === null || nextGrade === null || !intervalDays || nextDay <= day
          ? []
          : { share: (nextDay - day) / intervalDays, found: nextGrade },
      ),
    ) ?? null;
  const interval = meanOfKnown(rows.map(({ intervalDays }) => intervalDays));
  const { minutes, materials } = procedureOf(procedure);
  const priceOf = (what: string) => prices?.materials[what] ?? 0;
  // An agent at its own price; where none has one, what the procedure is reckoned to use.
  const own = used.reduce((sum, agent) => sum + priceOf(agent), 0);
  const stuff = own > 0 ? own : materials.reduce((sum, { what }) => sum + priceOf(what), 0);
  const hands = prices && (prices.staffHour * minutes) / 60;
  return {
    with: say.list(used.map((agent) => say(`agent.${agent}`))),
    services: rows.length,
    told: told.length,
    clean: told.length === 0 ? null : wilsonInterval(told.filter(({ after }) => after === 'clean').length, told.length),
    fouls,
    costAYear: fouls && interval && hands !== null ? costAYear(fouls.rate, interval, hands + stuff) : null,
  };
}
