/** Where a choice may hold, for a field to pick from: the organisation, its properties, their homes. */
import { computed, type ComputedRef } from 'vue';
import type { Scope } from '../../contract/due/practice.ts';
import { useDesk } from '../people/deskStore.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';

export interface ScopeChoice {
  /** `scope/id`, also what addresses carry. */
  readonly value: string;
  readonly title: string;
  /** Ids whose choices hold here, the nearest first. */
  readonly around: readonly string[];
}

export const WHOLE = 'organisation/all';

/** The scope and subject of a choice's value, as forms send them. */
export function subjectOf(value: string): { scope: Scope; subjectId: string | null } {
  const { scope, id } = addressed(value);
  return { scope, subjectId: scope === 'organisation' ? null : id };
}

/** The same as an address has them: the organisation goes by any id. */
export function addressed(value: string): { scope: Scope; id: string } {
  const [scope, id] = value.split('/') as [Scope, string];
  return { scope, id };
}

export function useScopes(): { readonly scopes: ComputedRef<ScopeChoice[]>; load(): Promise<void> } {
  const desk = useDesk();
  const homes = useLoading(() => api('homes.read'));
  const scopes = computed(() => [
    { value: WHOLE, title: say('practice.everywhere', { name: desk.me?.organisation ?? '' }), around: [] },
    ...(homes.value.value?.properties ?? []).flatMap((property) => [
      { value: `property/${property.id}`, title: property.name, around: [property.id] },
      ...property.places.map(({ id, name }) => ({
        value: `place/${id}`,
        title: `${property.name}, ${name}`,
        around: [id, property.id],
      })),
    ]),
  ]);
  return { scopes, load: homes.reload };
}
