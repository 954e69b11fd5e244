<script setup lang="ts">
/** A progression: the keys it may be in, what each chord does there, guide tones through it, ways into it and walks under it. */
import { BButton } from 'bootstrap-vue-next';
import { approachesTo, cadenceOf, PROGRESSIONS, sidePairs, stackedPairs } from '@finch/core/harmony';
import { noteText } from '@finch/core/theory';
import { computed, useTemplateRef } from 'vue';
import ChordName from '../../instruments/ChordName.vue';
import { benchWork, plain } from '../../workers/bench';
import { chordText, degreeText, listed, nameChord, sayProblem } from '../../words';
import { approachWords, cadenceWords, figureText, noteWord } from '../../words/harmony-words';
import { keyWords } from '../../words/key-words';
import GuideNeck from './GuideNeck.vue';
import OverRoots from './OverRoots.vue';
import WalkList from './WalkList.vue';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { progression, asked, heard, inHand, options } = props.bench;
const { typed, read, chords, found, reading, index, at, guides, key } = progression;
const KEYS_SHOWN = 4;
const keysShown = computed(() => found.value.slice(0, KEYS_SHOWN));
const ways = computed(() =>
  asked.value ? approachesTo(asked.value.chord, asked.value.before ?? undefined) : [],
);
const cadence = computed(() => {
  const now = asked.value;
  return now?.next ? cadenceOf(now.chord, now.next, now.key) : null;
});
const pairs = computed(() =>
  asked.value
    ? { stacked: stackedPairs(asked.value.chord.root), side: sidePairs(asked.value.chord.root) }
    : null,
);
async function hearAll() {
  if (heard.playing.value) return heard.stop();
  const grips = await benchWork().gripsOf(plain(chords.value), plain(options.value));
  await heard.grips(grips.map((one) => one?.frets ?? null));
}
const box = useTemplateRef<HTMLInputElement>('box');
defineExpose({ focus: () => box.value?.focus() });
const ready = PROGRESSIONS.map((one) => ({
  ...one,
  numbers: one.numbers.replaceAll('|', ' ').trim().split(/\s+/).join(' '),
}));
/** A progression made for another mode takes the key in hand there, on the same tonic. */
function takeReady(event: Event) {
  const select = event.target as HTMLSelectElement;
  const one = ready.find((each) => each.name === select.value);
  if (!one) return;
  const { mode, kind } = inHand.key.value;
  const fits = one.mode === 'major' || one.mode === 'minor' ? mode === one.mode : kind === one.mode;
  if (!fits) inHand.takeKind(one.mode);
  typed.value = one.numbers;
  select.value = '';
}
</script>

<template>
  <div class="progression">
    <div class="typed">
      <label for="harmony-chords"><b>Chords</b></label>
      <input
        id="harmony-chords"
        ref="box"
        v-model="typed"
        class="form-control"
        spellcheck="false"
        autocomplete="off"
        maxlength="4000"
        :aria-invalid="read.unread !== null || read.tooMany"
        aria-describedby="harmony-said"
      />
      <BButton variant="outline-secondary" :disabled="chords.length === 0" @click="hearAll">{{
        heard.playing.value ? 'Stop' : 'Hear it'
      }}</BButton>
      <select class="form-select ready" aria-label="A progression by what it does" @change="takeReady">
        <option value="">by function…</option>
        <option v-for="one in ready" :key="one.name" :value="one.name">{{ one.name }}</option>
      </select>
    </div>
    <p v-if="read.tooMany" id="harmony-said" class="refusal" role="alert">At most 256 chords at once.</p>
    <p v-else-if="read.unread" id="harmony-said" class="refusal" role="alert">
      “{{ read.unread.word }}”: {{ sayProblem(read.unread.problem) }}
    </p>
    <p v-else id="harmony-said" class="small">
      {{ keyWords(chords) || 'Chords like Dm7 G7 C, or numbers in the key above like ii V I.' }}
    </p>
    <div v-if="chords.length" class="chords" role="group" aria-label="Chords of the progression">
      <button
        v-for="(chord, i) in chords"
        :key="i"
        type="button"
        class="one"
        :aria-pressed="i === index"
        @click="at = i"
      >
        <span class="small">{{ reading ? figureText(reading.numerals[i] ?? '') : '' }}</span>
        <ChordName class="name" :symbol="chord.symbol" />
        <span class="small">{{ guides[i] ? guides[i].tones.map(noteWord).join(' ') : '' }}</span>
      </button>
    </div>
    <p v-if="cadence && asked?.next" class="small">
      {{ nameChord(asked.chord.symbol) }} to {{ nameChord(asked.next.symbol) }}:
      {{ cadenceWords[cadence.name] }}, {{ cadence.figures.map(figureText).join(' ') }}.
    </p>
    <table v-if="keysShown.length" class="key-table as-list">
      <thead>
        <tr>
          <th scope="col">Key</th>
          <th scope="col">Points</th>
          <th scope="col">Numbers</th>
          <th scope="col">Foreign</th>
          <th><span class="visually-hidden">Take</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in keysShown" :key="one.key.name">
          <th scope="row">{{ chordText(one.key.name) }}</th>
          <td data-label="Points" class="num">{{ one.points }}</td>
          <td data-label="Numbers">
            {{ one.numerals.slice(0, 12).map(figureText).join(' ')
            }}{{ one.numerals.length > 12 ? ' …' : '' }}
          </td>
          <td data-label="Foreign">{{ one.foreign.map(nameChord).join(', ') || 'nothing' }}</td>
          <td>
            <BButton
              v-if="one.key.name !== inHand.name.value"
              size="sm"
              variant="outline-secondary"
              @click="bench.takeKey(one)"
              >Take this key</BButton
            ><span v-else class="small">in hand</span>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="asked" class="about">
      <GuideNeck :bench="bench" />
      <section>
        <h3>Ways into {{ nameChord(asked.chord.symbol) }}</h3>
        <ul class="small">
          <li v-for="one in ways" :key="one.kind">
            <button type="button" class="btn btn-link" @click="bench.approach(one)">
              {{ one.chords.map((chord) => nameChord(chord.symbol)).join(' ') }}</button>:
            {{ approachWords[one.kind]
            }}<template v-if="one.alsoNamed"
              >; sounds as {{ listed(one.alsoNamed.map((root) => `${noteWord(root)}dim7`)) }} too, so the
              nearest of the four is taken</template
            >
          </li>
        </ul>
      </section>
      <WalkList :bench="bench" />
      <section v-if="pairs">
        <h3>Triads over {{ chordText(noteText(asked.chord.root)) }}</h3>
        <ul class="small">
          <li v-for="one in pairs.stacked" :key="one.sound">
            {{ nameChord(one.lower.symbol) }} + {{ nameChord(one.upper.symbol) }} = {{ nameChord(one.sound)
            }}{{ one.sound.endsWith('9') ? ', no root' : '' }}; shared
            {{ one.shared.map(noteWord).join(' ') }}
          </li>
          <li v-for="one in pairs.side" :key="one.sound + 'side'">
            {{ nameChord(one.lower.symbol) }} and {{ nameChord(one.upper.symbol) }} side by side over
            {{ nameChord(one.sound) }}: the upper is
            {{ one.over.map((tone) => degreeText(tone.degree)).join(' ') }}
          </li>
        </ul>
      </section>
      <OverRoots :bench="bench" />
    </div>
    <p v-if="key && key.name !== inHand.name.value && chords.length > 1" class="small">
      Read in {{ chordText(key.name) }}; the key in hand above is {{ chordText(inHand.name.value) }}.
    </p>
  </div>
</template>

<style scoped>
.progression {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.typed {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.typed #harmony-chords {
  flex: 1 1 260px;
  font-family: var(--mono);
}
.ready {
  width: 172px;
}
.chords {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.one {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  min-width: 84px;
  min-height: 44px;
  padding: var(--space-1) var(--space-2);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
}
.one[aria-pressed='true'] {
  background: var(--wash-crown);
  border-color: var(--crown);
  box-shadow: inset 0 4px 0 var(--wingbar);
}
.one .name {
  font-size: var(--size-5);
}
.key-table {
  border-collapse: collapse;
  font-size: var(--size-2);
}
.key-table :is(th, td) {
  text-align: left;
  padding: 2px var(--space-3) 2px 0;
  border-bottom: 1px solid var(--line);
}
.about {
  columns: 2;
  column-gap: var(--space-5);
}
.about > * {
  break-inside: avoid;
  margin-bottom: var(--space-3);
}
.about li {
  color: var(--ink2);
}
.about .btn {
  min-height: 24px;
  padding: 0;
}
@media (max-width: 779px) {
  .about {
    columns: 1;
  }
}
@media (pointer: coarse) {
  .about .btn,
  .typed :is(input, select) {
    min-height: 44px;
  }
}
</style>
