<script setup lang="ts">
/** What a machine is, wherever it is described: the fields that the entry has, of the choices that its type allows. */
import { OWNERS } from '../../contract/register/machines.ts';
import type { PointKind } from '../../core/catalogue/types.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import { say } from '../language/say.ts';

const props = defineProps<{
  /** What its type allows; undefined while none is chosen. */
  type?:
    | {
        readonly fuels: readonly string[];
        readonly drains?: boolean;
        readonly points?: readonly { readonly key: string; readonly kind: PointKind; readonly name: string }[];
      }
    | undefined;
  errors: Readonly<Record<string, string>>;
  /** What stands before a field's name in `errors`. */
  prefix?: string;
}>();
const entry = defineModel<{
  maker: string;
  model: string;
  label?: string;
  fuel: string;
  owner?: string;
  hardWired?: boolean;
  drainBranch?: string;
  leftOut?: string[];
}>({ required: true });

const error = (field: string) => props.errors[`${props.prefix ?? ''}${field}`];
function toggle(key: string): void {
  const leftOut = entry.value.leftOut ?? [];
  entry.value.leftOut = leftOut.includes(key) ? leftOut.filter((it) => it !== key) : [...leftOut, key];
}
</script>

<template>
  <VTextField v-model="entry.maker" :label="say('machine.maker')" :error-messages="error('maker')" />
  <VTextField v-model="entry.model" :label="say('machine.model')" :error-messages="error('model')" />
  <VTextField
    v-if="entry.label !== undefined"
    v-model="entry.label"
    :label="say('machine.label')"
    :error-messages="error('label')"
  />
  <slot />
  <VSelect
    v-model="entry.fuel"
    :items="(type?.fuels ?? ['electric']).map((value) => ({ value, title: say(`machine.fuel.${value as 'gas'}`) }))"
    :label="say('machine.fuel')"
    :error-messages="error('fuel')"
  />
  <VSelect
    v-if="entry.owner !== undefined"
    v-model="entry.owner"
    :items="OWNERS.map((value) => ({ value, title: say(`machine.owner.${value}`) }))"
    :label="say('machine.owner')"
  />
  <VCheckbox
    v-if="entry.hardWired !== undefined"
    v-model="entry.hardWired"
    :label="say('machine.hardWired')"
    :hint="say('machine.hardWired.hint')"
    persistent-hint
    density="compact"
  />
  <VTextField
    v-if="entry.drainBranch !== undefined && type?.drains"
    v-model="entry.drainBranch"
    :label="say('machine.branch')"
    :hint="say('machine.branch.hint')"
    persistent-hint
    :error-messages="error('drainBranch')"
  />
  <slot name="more" />
  <fieldset v-if="entry.leftOut && type?.points" class="points options across whole small">
    <legend>
      <b>{{ say('machine.points') }}</b>{{ ' ' }}
      <span v-if="type.points.length > 1" class="quiet">{{ say('machine.parts.why') }}</span>
    </legend>
    <label v-for="point in type.points" :key="point.key"
      ><input type="checkbox" :checked="!entry.leftOut.includes(point.key)" @change="toggle(point.key)" />{{ ' ' }}
      <KindGlyph :kind="point.kind" /> {{ point.name }}</label
    >
    <p v-if="error('leftOut')" class="alarm" role="alert">{{ error('leftOut') }}</p>
  </fieldset>
</template>
