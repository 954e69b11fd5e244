/** The scale on the bench: what is asked of it, how it lies on the neck, what its notes do over a chord, how it is heard. */
import { chordsIn, noteOver } from '@finch/core/harmony';
import { gripLimit } from '@finch/core/hands';
import { stagePace } from '@finch/core/pace';
import {
  inGroups,
  type BoardNote,
  type BoardShow,
  type StretchSchool,
  type WholeSteps,
} from '@finch/core/scales';
import { noteText, parentOf, parseChord, parseScale, pitchClassOf } from '@finch/core/theory';
import { computed, ref, watch } from 'vue';
import { laidOn, lineTempo, refusalOf, tonesOf, WAYS, type Laid, type Way } from './laid-scale';
import type { HarmonyBench } from './use-harmony-bench';

export function useScaleShown(bench: HarmonyBench) {
  const { scale: read, scaleName, taught, heard, more, address } = bench;
  const { instrument, drilling, limit } = taught;
  const scale = computed(() => (read.value.ok ? read.value.value : null));
  const way = ref<Way>(WAYS.find((one) => one.id === address.text('way'))?.id ?? 'forms');
  const position = ref(Number(address.text('pos', '3')) || 0);
  const string = ref(Number(address.text('string', '1')) || 1);
  const show = ref<BoardShow>('degrees');
  const stretch = ref<StretchSchool>('index back');
  const wholeSteps = ref<WholeSteps>('1 2 4');
  const over = ref(address.text('over'));
  const arpeggio = ref(address.text('arp') === '1');
  const drone = ref(false);
  const groups = ref<0 | 3 | 4>(0);
  watch(
    () => ({
      way: way.value === 'forms' ? '' : way.value,
      pos: position.value === 3 ? '' : String(position.value),
      string: string.value === 1 ? '' : String(string.value),
      over: over.value,
      arp: arpeggio.value ? '1' : '',
    }),
    (now) => (more.value = { ...more.value, ...now }),
  );
  const tonic = computed({
    get: () => (scale.value ? noteText(scale.value.tonic) : 'C'),
    set: (to) => retake(to, scale.value?.kind ?? 'major'),
  });
  const kind = computed({ get: () => scale.value?.kind ?? 'major', set: (to) => retake(tonic.value, to) });
  /** Another tonic or kind; the twin where the key would need more than seven signs. */
  function retake(to: string, of: string) {
    const read = parseScale(`${to} ${of}`);
    scaleName.value = read.ok ? read.value.name : read.problem.detail;
  }
  const chords = computed(() => (scale.value ? chordsIn(scale.value) : []));
  const overChord = computed(() => {
    const made = over.value ? parseChord(over.value) : null;
    return made?.ok ? made.value : null;
  });
  const asked = computed(() => ({
    way: way.value,
    position: position.value,
    string: string.value,
    stretch: stretch.value,
    wholeSteps: wholeSteps.value,
  }));
  const tones = computed(() =>
    scale.value ? tonesOf(scale.value, arpeggio.value ? overChord.value : null) : null,
  );
  const refused = computed(() => (tones.value ? refusalOf(tones.value, way.value, instrument.value) : null));
  /** Over a chord its tones are filled, colours outlined, care underlined; the labels count from its root. */
  const dressed = (notes: readonly BoardNote[]): BoardNote[] => {
    const chord = overChord.value;
    if (!chord || arpeggio.value) return [...notes];
    return notes.map((one) => {
      const { degree, does } = noteOver(one.note, chord);
      const look = does === 'rest' ? 'filled' : does === 'care' ? 'care' : 'outlined';
      return { ...one, label: degree, look, root: pitchClassOf(one.note) === pitchClassOf(chord.root) };
    });
  };
  const laid = computed(() =>
    tones.value
      ? laidOn(tones.value, asked.value, instrument.value).map((one) => ({
          ...one,
          notes: dressed(one.notes),
        }))
      : [],
  );
  const hand = computed(() => ({
    hand: drilling.value.hand,
    instrument: instrument.value,
    limit: gripLimit(drilling.value),
    pace: drilling.value.pace ?? stagePace(null),
  }));
  const cost = (line: Laid['line']) => {
    if (line.length === 0) return '';
    const { points, bpm } = lineTempo(line, hand.value);
    return bpm === null
      ? `effort ${Math.round(points)}, over this hand’s limit ${limit.value ?? ''}`
      : `effort ${Math.round(points)}; goes at about ${bpm}, two notes a beat`;
  };
  const hear = (line: Laid['line']) => {
    const { bpm } = lineTempo(line, hand.value);
    const rate = Math.min(6, ((bpm ?? 60) * 2) / 60);
    const straight = [...line, ...line.slice(0, -1).reverse()];
    const up = groups.value ? inGroups(line, groups.value).flat() : straight;
    void heard.line(up, rate, drone.value && scale.value ? pitchClassOf(scale.value.tonic) : null);
  };
  const parent = computed(() => (scale.value ? parentOf(scale.value.tonic, scale.value.kind) : null));
  /** The scale and its relatives, by degree of their parent. */
  const relatives = computed(() => {
    const own = parent.value;
    if (!own) return [];
    const home = parseScale(`${noteText(own.tonic)} ${own.kind}`);
    if (!home.ok) return [];
    return home.value.notes.map((tonic, i) => ({
      tonic,
      kind: own.modes[i],
      name: `${noteText(tonic)} ${own.modes[i]}`,
    }));
  });
  const notesOver = computed(() => {
    const chord = overChord.value;
    if (!chord || !scale.value) return [];
    return scale.value.notes.map((note) => noteOver(note, chord));
  });
  return {
    scale,
    tonic,
    kind,
    way,
    position,
    string,
    show,
    stretch,
    wholeSteps,
    over,
    overChord,
    arpeggio,
    drone,
    groups,
    chords,
    notesOver,
    refused,
    laid,
    parent,
    relatives,
    cost,
    hear,
  };
}

export type ScaleShown = ReturnType<typeof useScaleShown>;
