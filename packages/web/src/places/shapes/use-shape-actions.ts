/** What can be done with the grip in hand: hear it, hold it beside another, put it in the plan, send it home. */
import { changeIn, changeLoop, ringCheck, type Recipe } from '@finch/core/drills';
import { pitchAt } from '@finch/core/fretboard';
import type { Frets } from '@finch/core/grips';
import type { DrillContext } from '@finch/core/hands';
import { PLAIN_LEVEL } from '@finch/core/sound';
import type { GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue';
import { nameChord } from '../../words';
import { blockOf, useHandOut } from '../../session/hand-out';
import { usePlayer } from '../../workers/player';

const ARPEGGIO_SECONDS = 0.38;
const STRUM_SECONDS = 0.014;

export function useShapeActions(given: {
  readonly picked: ComputedRef<GradedGrip | null>;
  readonly chord: Ref<Chord | null>;
  readonly drilling: ComputedRef<DrillContext>;
}) {
  const { picked, chord, drilling } = given;
  const instrument = computed(() => drilling.value.instrument);
  const player = usePlayer();
  const held = shallowRef<{ grip: GradedGrip; chord: Chord } | null>(null);
  const said = ref('');

  const change = computed(() => {
    if (!held.value || !picked.value || held.value.grip.frets.join() === picked.value.frets.join())
      return null;
    const graded = changeIn(held.value.grip.frets, picked.value.frets, drilling.value);
    return graded.ok ? graded.value : null;
  });
  /** String by string, then as a strum. */
  async function hear(frets: Frets | undefined = picked.value?.frets) {
    if (!frets) return;
    const notes = frets.flatMap((fret, s) =>
      fret === null ? [] : [{ stringIndex: s, fret, midiPitch: pitchAt(instrument.value, s, fret) }],
    );
    const strumAt = notes.length * ARPEGGIO_SECONDS + 0.2;
    const pluck = { kind: 'pluck' as const, touch: 'ring' as const, level: PLAIN_LEVEL };
    await player.play(
      [
        ...notes.map((note, i) => ({ ...pluck, ...note, atSeconds: i * ARPEGGIO_SECONDS, seconds: 1 })),
        ...notes.map((note, i) => ({
          ...pluck,
          ...note,
          atSeconds: strumAt + i * STRUM_SECONDS,
          seconds: 1.6,
        })),
      ],
      { instrument: instrument.value },
    );
  }
  function hold() {
    if (!picked.value || !chord.value) return;
    held.value = { grip: picked.value, chord: chord.value };
    said.value = `${nameChord(chord.value.symbol)} is kept beside you.`;
  }
  /** The drill that the grip in hand makes: a loop with the one held beside it, else a ring check. */
  function drill(): Recipe | null {
    if (!picked.value || !chord.value) return null;
    const grip = { chord: chord.value.symbol, frets: picked.value.frets };
    if (!held.value || !change.value) return ringCheck(grip);
    const from = { chord: held.value.chord.symbol, frets: held.value.grip.frets };
    return changeLoop({ grips: [from, grip], beatsEach: 4 });
  }
  const handOut = useHandOut();
  const put = () => {
    const made = drill();
    if (made) void handOut.put(blockOf(made, drilling.value));
  };
  const home = () => {
    const made = drill();
    if (made) void handOut.home(made);
  };
  return { held, change, said, busy: handOut.busy, hear, hold, put, home, letGo: () => (held.value = null) };
}

export type ShapeActions = ReturnType<typeof useShapeActions>;
