/** Harmony: the key in hand, the chord in it that is looked at, what may stand for it, and the address that holds it all. */
import { scalesOver, type Approach, type KeyFound } from '@finch/core/harmony';
import { firstSyllabus, skillsOf } from '@finch/core/syllabus';
import { gripLimit, playedBy } from '@finch/core/hands';
import { fretsText } from '@finch/core/grips';
import { changeLoop, ringCheck, type Recipe } from '@finch/core/drills';
import { makeChord, parseScale, readNote, type NoteName } from '@finch/core/theory';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useAddress } from '../../session/address';
import { useBench } from '../../session/bench';
import { offerChord, wayOf, type ChordWay } from '../../session/chord-in-hand';
import { useGroupBodies } from '../../session/group';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useTaught } from '../../session/taught';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { useHeard } from './use-heard';
import { useKeyInHand } from './use-key';
import { useProgression } from './use-progression';
import { useSwaps, type ChordAsked } from './use-swaps';

export const VIEWS = [
  { id: 'degrees', name: 'Degrees' },
  { id: 'circle', name: 'Circle' },
  { id: 'scale', name: 'Scale' },
  { id: 'progression', name: 'Progression' },
  { id: 'melody', name: 'Melody' },
] as const;
export type View = (typeof VIEWS)[number]['id'];

const FIRST_CHORDS = 'Dm7 | G7 | Em7 | A7';

export function useHarmonyBench() {
  const bench = useBench();
  const router = useRouter();
  const address = useAddress();
  const taught = useTaught(() => bench.studentId);
  const { student, drilling, instrument } = taught;
  const inHand = useKeyInHand({
    name: address.text('key'),
    degree: address.text('degree'),
    triads: address.text('triads'),
    school: address.text('numbers'),
  });
  const view = ref<View>(VIEWS.find((one) => one.id === address.text('view'))?.id ?? 'degrees');
  const progression = useProgression(
    { text: address.text('chords', FIRST_CHORDS), at: address.text('at') },
    inHand.name,
  );
  /** The note of a tune over the chord that is looked at. */
  const tune = ref(address.text('tune'));
  const melody = computed<NoteName | null>(() => {
    const text = tune.value.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
    const read = readNote(text);
    return read && read.length === text.length ? read.note : null;
  });
  const tuneUnread = computed(() => tune.value.trim() !== '' && melody.value === null);

  const asked = computed<ChordAsked | null>(() => {
    if (view.value === 'progression') {
      const { chord, key, before, next } = progression;
      if (!chord.value || !key.value) return null;
      return { chord: chord.value, key: key.value, before: before.value, next: next.value };
    }
    const degrees = inHand.degrees.value;
    const { chord } = degrees[inHand.picked.value];
    // What pulls home goes home; a chord that rests has no neighbour it must go to.
    const home = inHand.degree.value.job === 'dominant' ? degrees[0].chord : null;
    return { chord, key: inHand.key.value, before: null, next: home };
  });
  const options = computed(() => playedBy(drilling.value));
  const swaps = useSwaps(asked, melody, options);
  const placed = computed(() =>
    asked.value ? (swaps.placed.value[asked.value.chord.symbol] ?? null) : null,
  );
  const grip = computed(() => placed.value?.grip ?? null);
  const scales = computed(() =>
    asked.value
      ? scalesOver(asked.value.chord, {
          key: asked.value.key,
          ...(asked.value.next ? { next: asked.value.next } : {}),
        })
      : [],
  );
  const heard = useHeard(instrument);
  /** What the views hold in the address beside the key. */
  const more = ref<Readonly<Record<string, string>>>({});

  /** The usual grip of each degree, for what the class holds. */
  const degreeGrips = useLatest(
    () => [inHand.degrees.value.map((one) => one.chord), drilling.value] as const,
    ([chords, of]) =>
      benchWork().firstGrips(plain(chords), plain(of.hand), plain(of.instrument), gripLimit(of)),
  );

  const { group, known } = useGroupBodies(student);
  /** How the class holds a grip: by the skills it belongs to, best first; null where no skill is about it. */
  function held(chord: string, frets: readonly (number | null)[] | undefined) {
    if (!frets) return null;
    const item = {
      kind: 'grip' as const,
      frets,
      fingers: [],
      tuning: instrument.value.openPitches,
      capo: 0,
      chord,
    };
    const ids = new Set(skillsOf({ items: [item] }, firstSyllabus).map(({ skill }) => skill.id));
    if (ids.size === 0) return null;
    return known.value.map((one) => {
      const met = one.skills.flatMap((skill) =>
        ids.has(skill.skillId) && skill.chance ? [skill.chance.mean] : [],
      );
      return { id: one.id, name: one.name, mean: met.length ? Math.max(...met) : null };
    });
  }

  const scaleName = ref(address.text('scale', ''));
  const scale = computed(() => {
    const own = parseScale(inHand.key.value.name);
    const read = scaleName.value ? parseScale(scaleName.value) : own;
    return read.ok ? read : own;
  });
  const scaleUnread = computed(() => {
    const read = scaleName.value ? parseScale(scaleName.value) : null;
    return read && !read.ok ? read.problem : null;
  });
  function showScale(name: string) {
    scaleName.value = name;
    view.value = 'scale';
  }
  /** Another key: the scale shown follows it, as a scale of its own stays. */
  watch(inHand.name, () => (scaleName.value = ''));

  /** The key found for the progression becomes the key in hand. */
  function takeKey(found: KeyFound) {
    inHand.take(found.key.name);
  }
  const handOut = useHandOut();
  /** The drill of the chord in hand: the change into the next one, else its strings one by one. */
  const recipe = computed<Recipe | null>(() => {
    const now = asked.value;
    const made = placed.value;
    if (!now || !made?.grip) return null;
    const from = { chord: now.chord.symbol, frets: made.grip.frets };
    return now.next && made.next
      ? changeLoop({ grips: [from, { chord: now.next.symbol, frets: made.next.frets }], beatsEach: 4 })
      : ringCheck(from);
  });
  const put = () => recipe.value && handOut.put(blockOf(recipe.value, drilling.value));

  offerChord(() =>
    asked.value
      ? {
          symbol: asked.value.chord.symbol,
          ...(grip.value ? { frets: fretsText(grip.value.frets) } : {}),
          ...(asked.value.before ? { before: asked.value.before.symbol } : {}),
          ...(asked.value.next ? { next: asked.value.next.symbol } : {}),
          key: asked.value.key.name,
        }
      : null,
  );
  function lead(way: ChordWay, symbol = asked.value?.chord.symbol, frets = grip.value?.frets) {
    if (!symbol) return;
    const { before, next } = asked.value ?? {};
    void router.push(
      wayOf(way, {
        symbol,
        ...(frets ? { frets: fretsText(frets) } : {}),
        ...(before ? { before: before.symbol } : {}),
        ...(next ? { next: next.symbol } : {}),
      }),
    );
  }

  /** Chords to be played one after another, as the hand's path. */
  const path = (symbols: readonly string[]) =>
    void router.push({ name: 'changes', query: { chords: symbols.join(' | ') } });

  /** Into the chord in hand; of the four names of a dim7 the one whose grip lies nearest. */
  async function approach({ chords, alsoNamed }: Approach) {
    const target = asked.value?.chord;
    if (!target) return;
    const given = plain(options.value);
    let best = chords;
    if (alsoNamed) {
      const four = [...chords, ...alsoNamed.map((root) => makeChord(root, 'diminished7'))];
      const found = await Promise.all(
        four.map((chord) => benchWork().placed(null, plain(chord), plain(target), given)),
      );
      const seconds = (i: number) => found[i].out?.seconds ?? Number.POSITIVE_INFINITY;
      best = [four.reduce((least, _, i) => (seconds(i) < seconds(least) ? i : least), 0)].map((i) => four[i]);
    }
    path([...best, target].map((one) => one.symbol));
  }

  watch(
    () => ({
      key: inHand.name.value,
      view: view.value === 'degrees' ? '' : view.value,
      degree: inHand.picked.value === 4 ? '' : String(inHand.picked.value + 1),
      triads: inHand.sevenths.value ? '' : '1',
      numbers: inHand.school.value === 'by degree' ? '' : inHand.school.value,
      chords: progression.settled.value === FIRST_CHORDS ? '' : progression.settled.value,
      at: progression.index.value ? String(progression.index.value) : '',
      tune: tune.value,
      scale: scaleName.value,
      ...more.value,
    }),
    (now, before) => JSON.stringify(now) !== JSON.stringify(before) && address.hold(now),
  );
  return {
    taught,
    inHand,
    view,
    progression,
    tune,
    tuneUnread,
    melody,
    asked,
    swaps,
    placed,
    grip,
    scales,
    heard,
    degreeGrips,
    group,
    held,
    scaleName,
    scale,
    scaleUnread,
    showScale,
    takeKey,
    put,
    putting: handOut.busy,
    lead,
    path,
    approach,
    more,
    address,
    options,
  };
}

export type HarmonyBench = ReturnType<typeof useHarmonyBench>;
