<script setup lang="ts">
/** What parts are cleaned with, and how it turned out: kinds of part with two ways or more, way by way. */
import { onMounted } from 'vue';
import type { AgentEffect } from '../../contract/standing/agentEffects.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const { value: answer, failure, reload } = useLoading(() => api('agentEffects.list'));
const cleanOf = ({ clean, told }: AgentEffect) =>
  clean ? say('agents.clean.value', { ...clean, told }) : say('agents.untold');
const foulsOf = ({ fouls }: AgentEffect) => (fouls ? say('agents.fouls.value', { ...fouls }) : say('agents.few'));
const costOf = ({ costAYear: cost }: AgentEffect, currency: string) =>
  cost === null ? '–' : say.money(Math.round(cost), currency);
onMounted(reload);
</script>

<template>
  <section class="stack close" aria-labelledby="agents">
    <h2 id="agents">{{ say('agents.title') }}</h2>
    <Notice :says="failure" />
    <template v-if="answer">
      <p v-if="!answer.parts.length" class="quiet">{{ say('agents.none', { oneWay: answer.oneWay }) }}</p>
      <p v-else class="quiet small lead">{{ say('agents.lead') }}</p>
      <div v-for="part in answer.parts" :key="part.procedure" class="sideways">
        <table class="table">
          <caption class="strong">
            {{
              part.name
            }}
          </caption>
          <thead>
            <tr>
              <th scope="col">{{ say('agents.with') }}</th>
              <th scope="col">{{ say('agents.services') }}</th>
              <th scope="col">{{ say('agents.clean') }}</th>
              <th scope="col">{{ say('agents.fouls') }}</th>
              <th scope="col">{{ say('agents.cost') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="way in part.ways" :key="way.with">
              <th scope="row">{{ way.with }}</th>
              <td>{{ way.services }}</td>
              <td>{{ cleanOf(way) }}</td>
              <td>{{ foulsOf(way) }}</td>
              <td>{{ costOf(way, answer.currency) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>
