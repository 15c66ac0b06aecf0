<script setup lang="ts">
/** In which order the homes of a property are walked: dragged, or moved by key and button. */
import Sortable from 'sortablejs';
import { computed, nextTick, onBeforeUnmount, ref, watchPostEffect } from 'vue';
import { walkingOrder, type PropertySummary } from '../../contract/register/register.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [] }>();
const order = ref(props.property.places.map(({ id }) => id));
const nameOf = computed(() => new Map(props.property.places.map(({ id, name }) => [id, name])));
const changed = computed(() => order.value.some((id, i) => id !== props.property.places[i]?.id));
const { problem, errors, busy, submit } = useForm(walkingOrder);
const list = ref<HTMLElement>();
const told = ref('');

function move(from: number, to: number): void {
  if (to < 0 || to >= order.value.length || from === to) return;
  const next = [...order.value];
  const [id] = next.splice(from, 1);
  next.splice(to, 0, id!);
  order.value = next;
  told.value = say('walkingOrder.moved', { name: nameOf.value.get(id!) ?? '', at: to + 1 });
  // Whoever moves by key goes on moving the same home.
  void nextTick(() => (list.value?.children[to]?.querySelector('button') as HTMLElement | null)?.focus());
}
function byName(): void {
  const name = (id: string) => nameOf.value.get(id) ?? '';
  order.value = order.value.toSorted((a, b) => name(a).localeCompare(name(b), undefined, { numeric: true }));
}
function onKey(event: KeyboardEvent, i: number): void {
  const to = { ArrowUp: i - 1, ArrowDown: i + 1, Home: 0, End: order.value.length - 1 }[event.key];
  if (to === undefined) return;
  event.preventDefault();
  move(i, to);
}
async function save(): Promise<void> {
  const form = { placeIds: order.value };
  if (await submit(form, (it) => api('property.walk', { id: props.property.id, form: it }))) emit('saved');
}

let sortable: Sortable | undefined;
watchPostEffect(() => {
  sortable?.destroy();
  sortable =
    list.value &&
    Sortable.create(list.value, {
      onEnd: ({ item, from, oldIndex, newIndex }) => {
        // The list is drawn from the order, and not by the hand that moved it.
        from.insertBefore(item, from.children[oldIndex! < newIndex! ? oldIndex! : oldIndex! + 1] ?? null);
        move(oldIndex!, newIndex!);
      },
    });
});
onBeforeUnmount(() => sortable?.destroy());
</script>

<template>
  <details class="panel card">
    <summary class="dew">{{ say('walkingOrder.title') }}</summary>
    <form class="stack close" @submit.prevent="save">
      <p class="quiet small">{{ say('walkingOrder.why') }}</p>
      <ol ref="list" class="ruled tight">
        <li v-for="(id, i) in order" :key="id" class="row middle">
          <span class="quiet" aria-hidden="true">≡</span>
          <button
            type="button"
            class="plain link"
            :aria-label="say('walkingOrder.place', { name: nameOf.get(id) ?? '', at: i + 1 })"
            @keydown="onKey($event, i)"
          >
            {{ nameOf.get(id) }}
          </button>
          <span class="push" />
          <button
            type="button"
            class="plain link small"
            :aria-label="`${say('walkingOrder.up')}: ${nameOf.get(id)}`"
            :disabled="i === 0"
            @click="move(i, i - 1)"
          >
            {{ say('walkingOrder.up') }}
          </button>
          <button
            type="button"
            class="plain link small"
            :aria-label="`${say('walkingOrder.down')}: ${nameOf.get(id)}`"
            :disabled="i === order.length - 1"
            @click="move(i, i + 1)"
          >
            {{ say('walkingOrder.down') }}
          </button>
        </li>
      </ol>
      <p class="unseen" role="status">{{ told }}</p>
      <Notice :says="problem || errors.placeIds" />
      <p class="row close middle">
        <VBtn type="submit" variant="outlined" size="small" :disabled="!changed" :loading="busy">{{
          say('walkingOrder.save')
        }}</VBtn>
        <button type="button" class="plain link" @click="byName">{{ say('walkingOrder.byName') }}</button>
      </p>
    </form>
  </details>
</template>
