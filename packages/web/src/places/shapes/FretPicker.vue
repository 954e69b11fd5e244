<script setup lang="ts">
/** A grip clicked on the neck and named at once: a grid of strings and frets, by mouse, touch or arrow keys. */
import { fretsText, type Frets } from '@finch/core/grips';
import { nameGrip } from '@finch/core/shapes';
import { fretPositionMm, standardGuitar } from '@finch/core/fretboard';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import ChordName from '../../instruments/ChordName.vue';

const props = defineProps<{ strings: number; openPitches: readonly number[]; capo: number }>();
const emit = defineEmits<{ frets: [text: string] }>();
const open = defineModel<boolean>({ required: true });
const FRETS = 15;
/** Widths of the fret spaces, true to the neck, as shares of the table. */
const widths = Array.from({ length: FRETS }, (_, i) => {
  const at = (fret: number) => fretPositionMm(standardGuitar.scaleLengthMm, fret);
  return ((at(i + 1) - at(i)) / at(FRETS)) * 84;
});
const muted = () => Array.from({ length: props.strings }, (): number | null => null);
const chosen = ref<(number | null)[]>(muted());
watch([open, () => props.strings], () => open.value && (chosen.value = muted()));

const names = computed(() => {
  const instrument = { ...standardGuitar, openPitches: props.openPitches, capo: props.capo };
  const named = nameGrip(chosen.value as Frets, instrument);
  return named.ok ? named.value.slice(0, 4) : [];
});
/** From string 1 at the top, as the neck is seen. */
const rows = computed(() => Array.from({ length: props.strings }, (_, i) => props.strings - 1 - i));
const choose = (s: number, fret: number | null) =>
  (chosen.value = chosen.value.map((was, i) => (i === s ? (was === fret ? null : fret) : was)));
function move(event: KeyboardEvent) {
  const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
  const cell = (event.target as HTMLElement).closest('td');
  const row = cell?.parentElement as HTMLTableRowElement | null;
  if (!by || !cell || !row) return;
  event.preventDefault();
  event.stopPropagation();
  const table = row.closest('tbody') as HTMLTableSectionElement;
  const next = table.rows[row.rowIndex - 1 + by[0]]?.cells[cell.cellIndex + by[1]];
  next?.querySelector('button')?.focus();
}
function take() {
  emit('frets', fretsText(chosen.value as Frets));
  open.value = false;
}
</script>

<template>
  <HouseDialog v-model="open" title="Name a grip" size="xl">
    <div class="pick-grip">
      <table @keydown="move">
        <colgroup>
          <col style="width: 6%" />
          <col style="width: 5%" />
          <col style="width: 5%" />
          <col v-for="(width, i) in widths" :key="i" :style="{ width: `${width}%` }" />
        </colgroup>
        <thead>
          <tr>
            <th scope="col">string</th>
            <th scope="col">out</th>
            <th scope="col">open</th>
            <th v-for="fret in FRETS" :key="fret" scope="col">{{ fret }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in rows" :key="s">
            <th scope="row">{{ strings - s }}</th>
            <td>
              <button
                type="button"
                :aria-pressed="chosen[s] === null"
                :aria-label="`String ${strings - s} out`"
                @click="choose(s, null)"
              >
                ×
              </button>
            </td>
            <td v-for="fret in FRETS + 1" :key="fret">
              <button
                type="button"
                :aria-pressed="chosen[s] === fret - 1"
                :aria-label="`String ${strings - s} fret ${fret - 1}`"
                @click="choose(s, fret - 1)"
              >
                {{ chosen[s] === fret - 1 ? fret - 1 : '·' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="answer" role="status">
        <p v-if="!names.length" class="note">Click where the fingers are; two different notes have a name.</p>
        <template v-else>
          <ChordName :symbol="names[0].chord.symbol" class="huge" />
          <p v-if="names.length > 1" class="note">
            or
            <ChordName
              v-for="one in names.slice(1)"
              :key="one.chord.symbol"
              :symbol="one.chord.symbol"
              class="other"
            />
          </p>
        </template>
        <BButton variant="dark" class="pri" :disabled="!names.length" @click="take"
          >Take to the bench</BButton
        >
      </div>
    </div>
  </HouseDialog>
</template>

<style scoped>
.huge {
  font-size: var(--size-stage);
}
.pick-grip {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  table-layout: fixed;
  min-width: 1000px;
  font-size: var(--size-2);
}
thead th {
  font-weight: 400;
  font-size: var(--size-1);
  color: var(--ink2);
  text-align: center;
}
td {
  padding: 0;
  border-left: 1px solid var(--line);
}
td button {
  width: 100%;
  height: 44px;
  background: linear-gradient(var(--string), var(--string)) center / 100% 1px no-repeat;
  border: 0;
  color: var(--ink);
  font-weight: 700;
}
td button[aria-pressed='true'] {
  background:
    radial-gradient(circle closest-side, var(--ink) 0 15px, transparent 15.5px) center / 34px 34px no-repeat,
    linear-gradient(var(--string), var(--string)) center / 100% 1px no-repeat;
  color: var(--sheet);
}
.answer {
  display: flex;
  gap: var(--space-5);
  align-items: center;
}
.answer .pri {
  margin-left: auto;
}
.other {
  margin-right: var(--space-3);
  font-size: var(--size-4);
}
</style>
