/**
 * What the block on puts before the student: two grips of a change and what each finger does between them, a bar where the
 * striking hand or a line is the matter, a call, or the neck as it is played through. Plays it and follows what sounds.
 */
import { calledAt, changeIn, gripsInOrder, makeDrill, needsNoNeck, type Drill } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import type { DrillContext } from '@finch/core/hands';
import type { PlanBlock } from '@finch/core/planning';
import { neckFrames, ticksOf } from '@finch/core/score';
import { soundSchedule } from '@finch/core/sound';
import { computed, ref, watch, type Ref } from 'vue';
import { barsAround } from '../../instruments/bars-around';
import { usePlayer } from '../../workers/player';
import { useHeard } from '../../workers/use-heard';

const TEMPO = { least: 30, most: 208, usual: 60 } as const;

export function useLessonStage(
  block: Readonly<Ref<PlanBlock | null>>,
  drilling: Readonly<Ref<DrillContext>>,
  instrument: Readonly<Ref<Instrument>>,
) {
  const player = usePlayer();
  /** The drills the block goes through, and the one that is on. */
  const parts = computed(() => block.value?.walk ?? []);
  const part = ref(0);
  const recipe = computed(() => parts.value[part.value]?.recipe ?? block.value?.recipe ?? null);
  watch(
    () => block.value?.id,
    () => (part.value = 0),
    // Before the drill of the new block is made.
    { flush: 'sync' },
  );
  const drill = computed<Drill | null>(() => {
    if (!recipe.value) return null;
    const made = makeDrill(recipe.value, drilling.value);
    return made.ok ? made.value : null;
  });
  const sound = useHeard(drill, instrument);
  const played = computed(() => sound.instrument.value ?? instrument.value);
  const tempo = ref<number | null>(null);
  const step = ref(0);
  const revealed = ref(false);
  const beat = ref(0);
  watch(
    () => `${block.value?.id} ${JSON.stringify(recipe.value)}`,
    () => {
      tempo.value = drill.value?.tempoBpm ?? TEMPO.usual;
      step.value = beat.value = 0;
      revealed.value = false;
      player.stop();
    },
    { immediate: true },
  );
  watch(
    () => player.elapsed.value,
    (elapsed) => {
      if (player.playing.value && drill.value) beat.value = elapsed - drill.value.score.countInBeats;
    },
  );

  const grips = computed(() => (drill.value ? gripsInOrder(drill.value) : []));
  const different = computed(() => new Set(grips.value.map((grip) => grip.frets.join())).size);
  const pair = computed(() =>
    grips.value.length < 2
      ? grips.value
      : [grips.value[step.value % grips.value.length], grips.value[(step.value + 1) % grips.value.length]],
  );
  const moves = computed(() => {
    if (pair.value.length < 2) return [];
    const graded = changeIn(pair.value[0].frets, pair.value[1].frets, drilling.value);
    const groups = new Map<string, string[]>();
    for (const move of graded.ok ? graded.value.fingers : [])
      groups.set(move.does, [...(groups.get(move.does) ?? []), String(move.finger)]);
    return [...groups].map(([does, fingers]) => ({
      does: fingers.length > 1 ? does.replace(/^(\w+)s\b/, '$1') : does,
      fingers: fingers.join(', '),
    }));
  });
  const called = computed(() => (drill.value ? calledAt(drill.value, beat.value) : null));
  /** The bar that sounds, large, where what the striking hand does or a line of notes is the matter. */
  const bar = computed(() => {
    const now = drill.value;
    const struck = now?.score.parts[0].bars.some((one) =>
      one.events.some((event) => event.hand !== undefined),
    );
    const line = now && now.judged !== 'calls' && grips.value.length === 0 && !called.value;
    return now && (struck || line) ? barsAround(now.score, played.value, Math.max(0, beat.value), 1) : null;
  });
  /** A call of a drill that asks; its place on the neck is shown only when that is asked for. */
  const call = computed(() => {
    const now = drill.value;
    if (!now || now.judged !== 'calls' || pair.value.length) return null;
    return now.steps[step.value % now.steps.length];
  });
  const frames = computed(() =>
    drill.value && pair.value.length === 0 ? neckFrames(drill.value.score) : [],
  );
  /** The neck as it is played, where there is no pair of grips to show. */
  const neck = computed(() => {
    if (!drill.value || pair.value.length || called.value || needsNoNeck(drill.value)) return null;
    if (call.value) {
      if (!revealed.value) return null;
      const { grip, answer, startTick } = call.value;
      // What was sung is the tone, not the key heard before it.
      const from = answer?.kind === 'sung' ? answer.heardTick : startTick;
      return grip ?? frames.value.find((one) => one.startTick >= from) ?? null;
    }
    const sounding = frames.value.findLast((one) => one.startTick <= ticksOf(Math.max(0, beat.value)));
    return sounding ?? frames.value[0] ?? null;
  });

  const bpmNow = () => Math.min(300, Math.max(20, tempo.value ?? TEMPO.usual));
  async function play(from = 0) {
    if (!sound.score.value) return;
    await player.play(soundSchedule(sound.score.value, played.value, bpmNow()), {
      instrument: played.value,
      from,
    });
  }
  watch(sound.heard, () => player.playing.value && void play(player.at.value ?? 0));
  /** Another tempo; while it plays it goes on from the same beat. */
  function faster(by: number) {
    if (tempo.value === null) return;
    const was = bpmNow();
    tempo.value = Math.min(TEMPO.most, Math.max(TEMPO.least, tempo.value + by));
    if (player.playing.value) void play(((player.at.value ?? 0) * was) / bpmNow());
  }
  return {
    player,
    drill,
    parts,
    part,
    tempo,
    pair,
    different,
    moves,
    bar,
    beat,
    call,
    called,
    sound,
    neck,
    revealed,
    toggle: () => (player.playing.value ? player.stop() : void play()),
    faster,
    /** On to the next change or the next call. */
    next: () => {
      step.value += 1;
      revealed.value = false;
    },
    reveal: () => (revealed.value = !revealed.value),
    /** To another drill of the block; on to the next, the first after the last, without a number. */
    walk: (to = part.value + 1) => {
      if (parts.value.length > 0) part.value = to % parts.value.length;
    },
    turn: (by: number) => {
      const now = bar.value;
      if (now) beat.value = now.starts[(now.line + by + now.lines) % now.lines];
    },
  };
}
