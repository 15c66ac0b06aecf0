/** Templates to choose from, and a unit to copy. */
import { computed, ref } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';

export function useTemplates(copyOf: string | null) {
  const { value, failure, reload } = useLoading(async () => {
    const [copy, { templates }] = await Promise.all([
      copyOf ? api('template.ofPlace', { id: copyOf }) : null,
      api('templates.list'),
    ]);
    return copy ? [{ ...copy, name: say('template.copy', { name: copy.name }) }, ...templates] : templates;
  });
  const chosen = ref<string>(copyOf ?? 'twoBed');
  const template = computed(() => value.value?.find(({ id }) => id === chosen.value) ?? null);
  const items = computed(() =>
    (value.value ?? []).map(({ id, name, own }) => ({
      value: id,
      title: own ? `${name} (${say('template.own')})` : name,
    })),
  );
  return { templates: value, failure, load: reload, chosen, template, items };
}

/** Names by a pattern, its number sign counted up; without one the number stands at the end. */
export function namesBy(pattern: string, from: number, count: number): string[] {
  const text = pattern.trim();
  const alone = count === 1 && !text.includes('#');
  const counted = text.includes('#') ? text : `${text} #`;
  return Array.from({ length: Math.max(0, count) }, (_, i) => (alone ? text : counted.replace('#', String(from + i))));
}
