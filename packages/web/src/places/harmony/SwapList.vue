<script setup lang="ts">
/** What may stand for the chord in hand: each with its reason in notes, its grip, its grade, and to be heard against it. */
import { BButton } from 'bootstrap-vue-next';
import type { Swap } from '@finch/core/harmony';
import { computed, ref, watch } from 'vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { degreeText, nameChord } from '../../words';
import { clashWords, noteWord, readyWords, swapKindWords, swapReason } from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { swaps, asked, melody, heard, taught, view, progression, group } = props.bench;
const { limit, instrument } = taught;
const open = ref<string | null>(null);
watch(
  () => asked.value?.chord.symbol,
  () => (open.value = null),
);
const SHOWN = 8;
const all = ref(false);
const list = computed(() => (all.value ? swaps.swaps.value : swaps.swaps.value.slice(0, SHOWN)));
const placedOf = (swap: Swap) => swaps.placed.value[swap.chord.symbol];
/** As it is, then with the swap, each between its neighbours. */
function hearBoth(swap: Swap) {
  const now = asked.value ? swaps.placed.value[asked.value.chord.symbol] : null;
  const other = placedOf(swap);
  if (!now || !other) return;
  const round = (one: typeof other) => [
    ...(one.before ? [one.before.frets] : []),
    one.grip?.frets ?? null,
    ...(one.next ? [one.next.frets] : []),
  ];
  void heard.grips([...round(now), null, ...round(other)]);
}
const seconds = (one: number) => `${one.toFixed(2)} s`;
</script>

<template>
  <div class="swaps">
    <h3>What may stand for it</h3>
    <p v-if="swaps.swaps.value.length === 0" class="empty">
      Nothing we know of: the chord lies outside the key and leads nowhere in it.
    </p>
    <ul v-else>
      <li v-for="swap in list" :key="swap.kind + swap.chord.symbol" :class="{ rubs: swap.clash }">
        <button
          type="button"
          class="swap"
          :aria-expanded="open === swap.kind + swap.chord.symbol"
          @click="open = open === swap.kind + swap.chord.symbol ? null : swap.kind + swap.chord.symbol"
        >
          <span class="display name">{{ nameChord(swap.chord.symbol) }}</span>
          <span class="small kind"
            >{{ swapKindWords[swap.kind]
            }}<template v-if="melody && swap.melodyIs">
              · {{ noteWord(melody) }} is its {{ degreeText(swap.melodyIs) }}</template
            ></span
          >
          <template v-if="placedOf(swap)?.grip"
            ><ShimMark
              :effort="placedOf(swap)?.grip?.effort.total ?? 0"
              :limit="limit"
              :width="40"
              :height="16"
            />
            <b class="num">{{ Math.round(placedOf(swap)?.grip?.effort.total ?? 0) }}</b></template
          >
          <span v-else class="small">{{ placedOf(swap) ? 'no grip' : '…' }}</span>
        </button>
        <div v-if="open === swap.kind + swap.chord.symbol" class="told">
          <ShapeCard
            v-if="placedOf(swap)?.grip"
            size="list"
            show="degrees"
            :frets="placedOf(swap)?.grip?.frets ?? []"
            :fingers="placedOf(swap)?.grip?.fingers ?? []"
            :degrees="placedOf(swap)?.grip?.degrees"
            :chord="swap.chord.symbol"
            :left-handed="instrument.leftHanded"
          />
          <div class="why">
            <BecauseMark>{{ swapReason(swap) }}</BecauseMark>
            <p v-if="swap.clash" class="caution">{{ clashWords(swap.clash) }}</p>
            <p v-if="placedOf(swap)?.into || placedOf(swap)?.out" class="small">
              <template v-if="placedOf(swap)?.into"
                >In {{ seconds(placedOf(swap)?.into?.seconds ?? 0) }}</template
              >
              <template v-if="placedOf(swap)?.into && placedOf(swap)?.out">, </template>
              <template v-if="placedOf(swap)?.out"
                >out {{ seconds(placedOf(swap)?.out?.seconds ?? 0) }}</template
              >
              for this hand.
            </p>
            <p v-if="group && placedOf(swap)?.grip" class="small">
              {{ readyWords(bench.held(swap.chord.symbol, placedOf(swap)?.grip?.frets)) }}
            </p>
            <div class="acts">
              <BButton size="sm" variant="outline-secondary" @click="hearBoth(swap)">Hear A, then B</BButton>
              <BButton
                v-if="view === 'progression'"
                size="sm"
                variant="outline-secondary"
                @click="progression.take(swap.chord)"
                >Take it</BButton
              >
              <BButton
                size="sm"
                variant="outline-secondary"
                @click="bench.lead('shapes', swap.chord.symbol, placedOf(swap)?.grip?.frets)"
                >Its grips</BButton
              >
            </div>
          </div>
        </div>
      </li>
    </ul>
    <BButton v-if="swaps.swaps.value.length > SHOWN" size="sm" variant="link" @click="all = !all">{{
      all ? 'Fewer' : `All ${swaps.swaps.value.length}`
    }}</BButton>
    <p v-if="swaps.failed.value" class="refusal" role="alert">
      The grips could not be worked out in this window.
      <BButton size="sm" variant="outline-secondary" @click="swaps.again()">Try again</BButton>
    </p>
  </div>
</template>

<style scoped>
.swap {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr) auto auto;
  gap: var(--space-2);
  align-items: center;
  width: 100%;
  min-height: 36px;
  padding: 2px 0;
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  color: var(--ink);
  text-align: left;
}
.swap:hover {
  background: var(--wash-crown);
}
.name {
  font-size: var(--size-4);
  white-space: nowrap;
}
.kind {
  line-height: 1.2;
}
.rubs .name {
  color: var(--ink3);
}
.told {
  display: flex;
  gap: var(--space-2);
  padding: var(--space-1) 0 var(--space-3);
}
.told .shape-card {
  flex: none;
}
.why {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
  min-width: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
@media (pointer: coarse) {
  .swap {
    min-height: 44px;
  }
  .acts .btn {
    min-height: 44px;
  }
}
</style>
