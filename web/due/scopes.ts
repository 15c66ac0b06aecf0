/** Where a choice may hold, for a field to pick from: the organisation, its properties, their homes. */
import { computed, ref, type ComputedRef, type Ref } from 'vue';
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

export interface Scopes {
  readonly scopes: ComputedRef<ScopeChoice[]>;
  /** The one that is picked; empty until it is known where somebody begins who looks after some properties. */
  readonly where: Ref<string>;
  /** Whether what holds there is theirs to change: what holds everywhere they may only read. */
  readonly mayChange: ComputedRef<boolean>;
  load(): Promise<void>;
}

/** @param start the scope that an address names */
export function useScopes(start?: string): Scopes {
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
  const where = ref(start ?? (desk.managesAll ? WHOLE : ''));
  const mayChange = computed(() => desk.managesAll || where.value !== WHOLE);
  async function load(): Promise<void> {
    await homes.reload();
    if (where.value === '') where.value = scopes.value[1]?.value ?? WHOLE;
  }
  return { scopes, where, mayChange, load };
}
