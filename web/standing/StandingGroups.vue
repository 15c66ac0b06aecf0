<script setup lang="ts">
/** Properties and their buildings beside each other. */
import { computed } from 'vue';
import type { GroupStanding, StandingAnswer } from '../../contract/standing/standing.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ answer: StandingAnswer }>();
const rows = computed<readonly (GroupStanding & { within?: boolean })[]>(() => [
  { id: 'whole', name: say('standing.group.whole'), ...props.answer.whole },
  ...props.answer.properties.flatMap((property) => [
    property,
    ...property.buildings.map((building) => ({ ...building, within: true })),
  ]),
]);
const share = ({ pastShare }: GroupStanding['figures']) =>
  pastShare === null ? '–' : say('standing.past.value', { share: pastShare });
const onTime = ({ onTime: it }: GroupStanding['figures']) =>
  it ? `${say('standing.services.value', it)} (${say('standing.services.aside', it)})` : '–';
</script>

<template>
  <div class="scrolling">
    <table class="table">
      <caption>
        {{
          say('standing.groups')
        }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ say('standing.column.group') }}</th>
          <th scope="col">{{ say('standing.column.homes') }}</th>
          <th scope="col">{{ say('standing.column.parts') }}</th>
          <th scope="col">{{ say('standing.past') }}</th>
          <th scope="col">{{ say('standing.services') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ id, name, within, homes, figures } in rows" :key="id">
          <th scope="row">{{ within ? '· ' : '' }}{{ name }}</th>
          <td>{{ homes.sound }}, {{ homes.watch }}, {{ homes.breach }}, {{ homes.unknown }}</td>
          <td>{{ say('standing.of', figures.standing.inOrder) }}</td>
          <td>{{ share(figures) }}</td>
          <td>{{ onTime(figures) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
