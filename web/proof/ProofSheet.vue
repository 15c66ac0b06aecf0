<script setup lang="ts">
/** A proof laid out: photos large, look-alike and reference beside them, findings as sentences. */
import { computed } from 'vue';
import { referencePicture } from '../../core/catalogue/picture.ts';
import type { Grade } from '../../core/catalogue/grades.ts';
import type { ProofAnswer } from '../../contract/proof/proof.ts';
import { photoUrl } from '../api/api.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ proof: ProofAnswer }>();
const alike = computed(() => props.proof.findings.find(({ otherPhotoId }) => otherPhotoId));
const reference = computed(() => {
  const { grade, point } = props.proof;
  if (!grade) return null;
  return `data:image/svg+xml;utf8,${encodeURIComponent(referencePicture(point.procedure, grade as Grade))}`;
});
const SIGN = { fail: '▲', look: '◇', fine: '✓' } as const;
</script>

<template>
  <header>
    <h2 class="title">{{ proof.title }}, {{ proof.place }}</h2>
    <p class="quiet">
      {{ say('proof.sentBy', { by: proof.by, at: say.time(proof.sentAt, proof.zone) })
      }}<template v-if="proof.minutes !== null"> · {{ say('proof.took', { minutes: proof.minutes }) }}</template>
      <template v-if="proof.gradeSays">
        · {{ say('proof.found') }} <b>{{ proof.gradeSays }}</b></template
      ><template v-if="proof.cavitySays"
        >, {{ say('proof.behind') }} <b>{{ proof.cavitySays }}</b></template
      ><template v-if="proof.afterSays"
        >, {{ say('proof.after') }} <b>{{ proof.afterSays }}</b></template
      ><template v-if="proof.finds.length">: {{ proof.finds.join(', ') }}</template>
    </p>
  </header>
  <div class="row top">
    <figure v-for="photo in proof.photos" :key="photo.id">
      <img v-if="photo.kept" :src="photoUrl(photo.id)" :alt="photo.label" />
      <p v-else class="gone quiet">{{ say('proof.purged') }}</p>
      <figcaption>
        {{ photo.label }}
        <span class="quiet"
          >{{
            photo.capturedAt
              ? say('proof.captured', { at: say.time(photo.capturedAt, proof.zone) })
              : say('proof.notCaptured')
          }}, {{ say(`proof.source.${photo.source}`) }}</span
        >
      </figcaption>
    </figure>
    <figure v-if="alike?.otherPhotoId" class="other">
      <img :src="photoUrl(alike.otherPhotoId)" alt="" />
      <figcaption class="alarm">{{ say('proof.other', { day: say.day(Number(alike.otherDay)) }) }}</figcaption>
    </figure>
    <figure v-if="reference" class="reference">
      <img :src="reference" alt="" />
      <figcaption class="quiet">{{ say('proof.reference', { grade: proof.gradeSays! }) }}</figcaption>
    </figure>
  </div>
  <section :aria-label="say('proof.findings')">
    <ul class="findings ruled tight">
      <li v-for="(finding, i) in proof.findings" :key="i" :class="finding.weight">
        <span aria-hidden="true">{{ SIGN[finding.weight] }}</span><span
          ><span class="unseen">{{ say(`proof.${finding.weight}`) }}: </span>{{ finding.says }}</span
        >
      </li>
      <li v-for="reading in proof.readings" :key="reading.name" :class="reading.passes ? 'fine' : 'fail'">
        <span aria-hidden="true">{{ reading.passes ? '✓' : '▲' }}</span><span
          >{{ reading.name }}: {{ reading.value }}</span
        >
      </li>
      <li v-if="proof.note">
        <span aria-hidden="true">“</span><span>{{ say('proof.note') }}: {{ proof.note }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
figure {
  flex: 1 1 220px;
  max-width: 540px;
}
figure img {
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border-radius: 8px;
  display: block;
  background: var(--sunk);
}
.other img {
  outline: 3px solid var(--alarm);
  outline-offset: -3px;
}
.reference {
  flex: 0 1 150px;
}
.reference img {
  background: var(--paper);
  object-fit: contain;
}
figcaption {
  font-size: 13px;
  padding-top: 4px;
}
.gone {
  aspect-ratio: 4 / 3;
  display: grid;
  place-items: center;
  border: 1px dashed var(--edge);
  border-radius: 8px;
}
.findings li {
  display: grid;
  grid-template-columns: 26px 1fr;
}
.findings .fail {
  color: var(--alarm);
  font-weight: 640;
}
.findings .fine {
  color: var(--ink-2);
}
</style>
