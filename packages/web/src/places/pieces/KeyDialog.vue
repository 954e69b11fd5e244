<script setup lang="ts">
/** The piece as it sounds now behind each capo, then in keys near it, then in any; by how hard it is for this hand. */
import type { KeyNearness, KeyOffer, Piece, SingerRange } from '@finch/core/score';
import type { PathOptions } from '@finch/core/changes';
import { parsePitch } from '@finch/core/theory';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { chordText } from '../../words';
import ShimMark from '../../instruments/ShimMark.vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';

const props = defineProps<{ piece: Piece; options: PathOptions; limit: number | null; who: string }>();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ take: [offer: KeyOffer] }>();
const low = ref('');
const high = ref('');
const sung = computed(() =>
  props.piece.sections.some((one) => one.bars.some((bar) => bar.melody?.some((note) => note.pitch))),
);
const range = computed<SingerRange | null>(() => {
  const [a, b] = [parsePitch(low.value), parsePitch(high.value)];
  return a.ok && b.ok ? { low: a.value, high: b.value } : null;
});
const halfTyped = computed(() => (low.value !== '' || high.value !== '') && !range.value);
const { answer: offers, failed } = useLatest(
  () => (open.value ? ([props.piece, props.options, range.value] as const) : null),
  // Locked grips belong to the key the piece is in.
  ([piece, options, singer]) =>
    benchWork().keys(plain(piece), plain({ ...options, locked: [] }), plain(singer)),
);
const others = ref(false);
const groups = computed(() => {
  const all = offers.value ?? [];
  const of = (nearness: KeyNearness) => all.filter((one) => one.nearness === nearness);
  return [
    { name: 'Sounding as now', offers: of('same pitch') },
    { name: 'Near, for the voice', offers: of('near') },
    ...(others.value ? [{ name: 'Another key', offers: of('other') }] : []),
  ].filter((group) => group.offers.length);
});
const steps = (away: number) =>
  away === 0
    ? ''
    : `${Math.abs(away)} ${Math.abs(away) === 1 ? 'semitone' : 'semitones'} ${away > 0 ? 'up' : 'down'}`;
const keyText = (name: string) => chordText(name.replace(' major', '').replace(' minor', 'm'));
const tempo = (offer: KeyOffer) =>
  offer.tempoShare === null ? '–' : Math.round(offer.tempoShare * props.piece.tempoBpm);
</script>

<template>
  <HouseDialog v-model="open" :title="`${piece.title} in another key`" size="lg">
    <form class="range" @submit.prevent>
      <span class="note">A singer’s range, if one sings:</span>
      <label
        >from <input v-model="low" class="form-control form-control-sm" placeholder="A3" maxlength="4"
      /></label>
      <label
        >to <input v-model="high" class="form-control form-control-sm" placeholder="C5" maxlength="4"
      /></label>
      <span class="small">{{
        halfTyped
          ? 'Two notes with their octaves, like A3 and C5; C4 is middle C.'
          : sung
            ? ''
            : 'This chart has no melody, so every key can be sung.'
      }}</span>
    </form>
    <p v-if="failed" class="refusal" role="alert">The keys could not be worked out. Close and try again.</p>
    <p v-else-if="!offers" class="note" role="status">Grading twelve keys, with and without capo…</p>
    <p v-else-if="!offers.length" class="empty" role="status">
      No key puts this melody inside that range. Widen it by a step or two.
    </p>
    <template v-else>
      <p v-if="offers[0]?.nearness === 'same pitch'" class="note" role="status">
        Sounding as now, easiest for {{ who }} hand:
        <b
          >{{ keyText(offers[0].shapes.name) }} shapes{{
            offers[0].capo ? ` with the capo at ${offers[0].capo}` : ', no capo'
          }}</b
        >.
      </p>
      <table class="keys">
        <thead>
          <tr>
            <th scope="col">sounds in</th>
            <th scope="col">played</th>
            <th scope="col">mean effort</th>
            <th scope="col">heaviest</th>
            <th scope="col">clean at</th>
            <th v-if="range" scope="col">sung</th>
            <td />
          </tr>
        </thead>
        <tbody v-for="group in groups" :key="group.name">
          <tr>
            <th scope="rowgroup" :colspan="range ? 7 : 6" class="group">{{ group.name }}</th>
          </tr>
          <tr v-for="one in group.offers" :key="`${one.key.name} ${one.capo}`">
            <th scope="row">
              <span class="display">{{ keyText(one.key.name) }}</span> <small>{{ steps(one.away) }}</small>
            </th>
            <td>{{ one.capo ? `${keyText(one.shapes.name)} shapes, capo ${one.capo}` : 'no capo' }}</td>
            <td>
              <ShimMark :effort="one.meanEffort" :limit="limit" :width="44" />
              {{ Math.round(one.meanEffort) }}
            </td>
            <td :class="{ over: limit !== null && one.heaviest > limit }">{{ Math.round(one.heaviest) }}</td>
            <td>{{ tempo(one) }} bpm</td>
            <td v-if="range">
              {{
                one.sings === null
                  ? ''
                  : one.sings.octaves === 0
                    ? 'here'
                    : one.sings.octaves < 0
                      ? 'an octave lower'
                      : 'an octave higher'
              }}
            </td>
            <td>
              <BButton size="sm" variant="outline-secondary" @click="emit('take', one)">Take it</BButton>
            </td>
          </tr>
        </tbody>
      </table>
      <BButton v-if="!others" size="sm" variant="outline-secondary" @click="others = true"
        >Show the other keys</BButton
      >
    </template>
  </HouseDialog>
</template>

<style scoped>
.range {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
  margin-bottom: var(--space-2);
}
.range label {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-2);
}
.range input {
  width: 70px;
}
.keys {
  width: 100%;
  font-size: var(--size-2);
}
.keys td,
.keys th {
  border-top: 1px solid var(--line);
  padding: var(--space-1) var(--space-2);
}
.keys .group {
  padding-top: var(--space-3);
  font-size: var(--size-1);
  font-weight: 700;
  color: var(--ink2);
}
.keys small {
  color: var(--ink3);
  font-weight: 400;
}
.over {
  color: var(--breast);
  font-weight: 700;
}
</style>
