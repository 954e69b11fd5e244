<script setup lang="ts">
/** A drill on paper, with boxes for takes and answers on a page of their own; and its sound as a file. */
import { type Drill } from '@finch/core/drills';
import type { DrillContext } from '@finch/core/hands';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { saveFile } from '../../app/save-file';
import HouseDialog from '../../furniture/HouseDialog.vue';
import HeardPick from '../../instruments/HeardPick.vue';
import PickBox from '../../instruments/PickBox.vue';
import { fileName, type PaperJob } from '../../paper/paper-files';
import PaperSheet from '../../paper/PaperSheet.vue';
import { useSeat } from '../../session/seat';
import { nameChord, plural, say, sayError } from '../../words';
import { HEARD_WORDS } from '../../words/drill-words';
import { FAMILY_WORDS } from '../../words/family-words';
import { benchWork, plain } from '../../workers/bench';
import { useHeard } from '../../workers/use-heard';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{ drill: Drill | null; title: string; context: DrillContext; who: string }>();
const seat = useSeat();
const TAKES = [0, 6, 10, 20];
const ROUNDS = [1, 2, 4, 8];
/** The most bars of a file: longer ones are begun again by whoever plays them. */
const MOST_BARS = 256;
const takes = ref(10);
const answers = ref(true);
const staff = ref(false);
const rounds = ref(2);
const click = ref(true);
const TEMPO = { lowest: 20, highest: 300 };
const tempo = ref<number | string>(60);
// The same drill made anew, as when what the house knows is read again, leaves a tempo that was typed.
watch(
  () => `${props.drill?.score.tempoBpm} ${JSON.stringify(props.drill?.recipe)}`,
  () => (tempo.value = Math.round(props.drill?.score.tempoBpm ?? 60)),
  { immediate: true },
);
const { heard, choices, score, instrument } = useHeard(
  computed(() => props.drill),
  computed(() => props.context.instrument),
);
const busy = ref(false);
const trouble = ref('');
const asked = computed(() => props.drill?.steps.some((step) => step.answer ?? step.called) ?? false);
/** Calls have neither tab nor staff, which would answer them. */
const tabbed = computed(
  () => props.drill?.judged !== 'calls' && !props.drill?.steps.some((step) => step.called),
);
const job = computed<PaperJob | null>(() => {
  const { drill } = props;
  if (!open.value || !drill) return null;
  const chords = new Set(
    drill.score.parts.flatMap((part) =>
      part.bars.flatMap((bar) => bar.events.flatMap((one) => one.chord ?? [])),
    ),
  );
  for (const { grip } of drill.steps) if (grip) chords.add(grip.chord);
  return {
    layout: 'drill',
    title: props.title,
    foot: [seat.studio?.name, props.who].filter(Boolean).join(', '),
    show: 'fingers',
    leftHanded: props.context.instrument.leftHanded,
    drill,
    context: props.context,
    lines: [
      `${drill.recipe.family}: ${FAMILY_WORDS[drill.recipe.family].trains}`,
      say(drill.question),
      ...(drill.hasBarre ? ['A barre: press, check, release; light as it rings. Pain means stop.'] : []),
    ],
    answers: answers.value && asked.value,
    staff: staff.value && tabbed.value,
    takes: takes.value,
    words: {
      takes: 'Takes: day, tempo, how it came',
      clean: 'clean',
      nearly: 'nearly',
      notYet: 'not yet',
      answers: 'Answers',
    },
    asks: drill.steps.map((step) => say(step.ask)),
    names: Object.fromEntries([...chords].map((symbol) => [symbol, nameChord(symbol)])),
  };
});
const bars = computed(() => props.drill?.score.parts[0]?.bars.length ?? 0);
const roundChoices = computed(() =>
  ROUNDS.filter((n) => n === 1 || n * bars.value <= MOST_BARS).map((value) => ({
    value,
    text: plural(value, 'round'),
  })),
);
async function wav() {
  if (!score.value || !instrument.value || busy.value) return;
  const tempoBpm = Number(tempo.value);
  trouble.value = '';
  if (!(tempoBpm >= TEMPO.lowest && tempoBpm <= TEMPO.highest)) {
    trouble.value = `A tempo is ${TEMPO.lowest} to ${TEMPO.highest} bpm.`;
    return;
  }
  busy.value = true;
  try {
    const file = await benchWork().wav(plain(score.value), plain(instrument.value), {
      rounds: rounds.value,
      tempoBpm,
      noClick: !click.value,
    });
    const of = heard.value === 'drill' ? props.title : `${props.title}, ${HEARD_WORDS[heard.value]}`;
    saveFile(fileName(of, 'wav'), new Blob([Uint8Array.from(file)], { type: 'audio/wav' }));
  } catch (problem) {
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <HouseDialog v-model="open" size="lg" title="Paper and sound">
    <PaperSheet :job="job">
      <label class="note"
        >Boxes for takes
        <PickBox
          v-model="takes"
          :options="TAKES.map((value) => ({ value, text: value ? String(value) : 'none' }))"
      /></label>
      <label v-if="tabbed" class="note"><input v-model="staff" type="checkbox" /> A staff over the tab</label>
      <label v-if="asked" class="note"
        ><input v-model="answers" type="checkbox" /> Answers on a page of their own</label
      >
    </PaperSheet>
    <form class="sound" novalidate @submit.prevent="wav">
      <h3>As a sound</h3>
      <p class="small">Counted in once.</p>
      <HeardPick v-model="heard" :choices="choices" />
      <label class="note"
        >At
        <input
          v-model="tempo"
          type="number"
          class="form-control form-control-sm tempo"
          :min="TEMPO.lowest"
          :max="TEMPO.highest"
          aria-describedby="sound-trouble"
        />
        bpm</label
      >
      <PickBox v-model="rounds" :options="roundChoices" aria-label="How often it goes round" />
      <label class="note"><input v-model="click" type="checkbox" /> With the click</label>
      <BButton type="submit" variant="outline-secondary" :disabled="!drill" :aria-disabled="busy">{{
        busy ? 'Making it…' : 'Save WAV'
      }}</BButton>
      <p v-if="trouble" id="sound-trouble" class="refusal" role="alert">{{ trouble }}</p>
    </form>
  </HouseDialog>
</template>

<style scoped>
.sound {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2);
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
  margin-top: var(--space-3);
}
.sound h3,
.sound p {
  width: 100%;
  margin: 0;
}
.sound h3 {
  font-size: var(--size-3);
}
.sound select,
.note select,
.tempo {
  width: auto;
  display: inline-block;
}
</style>
