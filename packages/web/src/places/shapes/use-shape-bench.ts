/** The Shapes bench: the search, the grip in hand as this student is taught it, and the address that holds both. */
import type { PaperCard } from '@finch/core/paper';
import { gradeIn } from '@finch/core/drills';
import { changeMark, fretsText, gripMark, isFullBarre, type Frets } from '@finch/core/grips';
import type { CardShow, GradedGrip } from '@finch/core/shapes';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useAddress } from '../../session/address';
import { useBench } from '../../session/bench';
import { offerChord } from '../../session/chord-in-hand';
import { useSeat } from '../../session/seat';
import { useTaught } from '../../session/taught';
import { nameChord, plural } from '../../words';
import { benchWork, plain } from '../../workers/bench';
import { readAsked, readHeld, writeAsked, writeHeld } from './asked';
import { useGathered } from './gathered';
import { paperCard } from './shape-paper';
import { useShapeActions } from './use-shape-actions';
import { useShapeSearch } from './use-shape-search';
import { useShapeTabs } from './use-shape-tabs';

export const SHOWS: readonly { id: CardShow; name: string }[] = [
  { id: 'fingers', name: 'Fingers' },
  { id: 'degrees', name: 'Intervals' },
  { id: 'notes', name: 'Notes' },
];

export function useShapeBench() {
  const bench = useBench();
  const seat = useSeat();
  const router = useRouter();
  const address = useAddress();
  const taught = useTaught(() => bench.studentId);
  const { student, hand, instrument, limit, drilling, hookOn } = taught;
  const first = computed(() => student.value?.name.split(' ')[0] ?? null);
  const search = useShapeSearch({
    typed: address.text('chord', 'C'),
    picked: address.text('frets'),
    asked: readAsked(address.text('ask')),
    hand,
    instrument,
  });
  const chord = computed(() => search.inHand.value.chord);
  /** The grip in hand with the fingers this student is taught. */
  const picked = computed<GradedGrip | null>(() => {
    const { grip } = search.inHand.value;
    if (!grip) return null;
    const graded = gradeIn(grip.frets, drilling.value);
    return graded.ok ? { ...grip, fingers: graded.value.fingering.fingers } : grip;
  });
  const effort = computed(() => {
    if (!picked.value) return null;
    const graded = gradeIn(picked.value.frets, drilling.value);
    return graded.ok ? graded.value : null;
  });
  const over = computed(() =>
    effort.value && limit.value !== null ? Math.round(effort.value.total) - limit.value : 0,
  );
  const caution = computed(() => !!picked.value?.barre && isFullBarre(picked.value.barre));
  const actions = useShapeActions({ picked, chord, drilling });
  const tabs = useShapeTabs({ tab: address.text('tab', 'why'), picked, chord, drilling });
  const show = ref<CardShow>(SHOWS.find((one) => one.id === address.text('show'))?.id ?? 'fingers');

  // The address holds the whole bench, so that a teacher can keep it or pass it on.
  const holdAsked = readHeld(address.text('hold'));
  if (holdAsked) {
    const { chord: of, frets } = holdAsked;
    void benchWork()
      .graded(plain(frets), plain(of), plain(hand.value), plain(instrument.value))
      .then((grip) => grip && (actions.held.value ??= { grip, chord: of }));
  }
  watch(
    () => ({
      chord: chord.value ? search.settled.value : '',
      frets: search.pickedText.value,
      tab: tabs.tab.value === 'why' ? '' : tabs.tab.value,
      ask: writeAsked(search.asked),
      hold: writeHeld(actions.held.value),
      show: show.value === 'fingers' ? '' : show.value,
    }),
    (now, before) => JSON.stringify(now) !== JSON.stringify(before) && address.hold(now),
  );

  offerChord(() =>
    chord.value
      ? {
          symbol: chord.value.symbol,
          ...(picked.value ? { frets: fretsText(picked.value.frets) } : {}),
          ...(actions.held.value ? { before: actions.held.value.chord.symbol } : {}),
        }
      : null,
  );
  /** The hook hangs on the change while another grip is held, else on the grip. */
  const hookSubject = computed(() => {
    const pitches = instrument.value.openPitches;
    const [from, to] = [actions.held.value?.grip, picked.value];
    if (!to) return '';
    return from && actions.change.value
      ? changeMark(from.frets, to.frets, pitches)
      : gripMark(to.frets, pitches);
  });
  const hookWhat = computed(() => {
    const to = nameChord(chord.value?.symbol ?? '');
    const from = actions.held.value;
    return from && actions.change.value ? `${nameChord(from.chord.symbol)} → ${to}` : `this ${to}`;
  });

  const gathered = useGathered();
  const cardFor = (grip: GradedGrip): PaperCard =>
    paperCard(grip, chord.value?.symbol ?? '', hookOn(grip.frets));
  const card = computed(() => (picked.value && chord.value ? cardFor(picked.value) : null));
  function gather() {
    if (!card.value) return;
    gathered.add(card.value);
    actions.said.value = `On the page: ${plural(gathered.cards.value.length, 'card')}. Print it under Paper.`;
  }
  const foot = computed(
    () =>
      `${seat.studio?.name ?? ''}${student.value ? `, for ${student.value.name}` : ''}. Light pressure; pain means stop.`,
  );
  /** Takes another chord's grip into the hand. */
  function use(symbol: string, frets: Frets) {
    search.typed.value = symbol;
    search.pickedText.value = fretsText(frets);
  }
  function drill() {
    if (!picked.value || !chord.value) return;
    const from = actions.held.value;
    void router.push({
      name: 'drills',
      query: {
        chord: chord.value.symbol,
        frets: fretsText(picked.value.frets),
        ...(from && actions.change.value
          ? { family: 'change loop', from: from.chord.symbol, fromFrets: fretsText(from.grip.frets) }
          : {}),
      },
    });
  }
  return {
    taught,
    search,
    actions,
    tabs,
    show,
    picked,
    chord,
    effort,
    over,
    caution,
    hook: computed(() => (picked.value ? hookOn(picked.value.frets) : null)),
    hookSubject,
    hookWhat,
    gathered,
    card,
    cardFor,
    foot,
    who: computed(() => (first.value ? `${first.value}’s` : 'a middle')),
    owner: computed(() =>
      student.value && first.value ? { id: student.value.id, first: first.value } : null,
    ),
    leftHanded: computed(() => instrument.value.leftHanded),
    gather,
    use,
    drill,
    /** Keeps the grip beside; what is asked next is the change from it. */
    keep: () => {
      actions.hold();
      if (actions.held.value) tabs.tab.value = 'compare';
    },
    useEasier: async () => {
      const from = picked.value;
      const one = await tabs.easiest();
      if (one && picked.value === from) search.pickFrets(one.grip.frets);
      else if (!one) actions.said.value = 'Nothing easier does this job.';
    },
    nextShow: () => {
      const at = SHOWS.findIndex((one) => one.id === show.value);
      show.value = SHOWS[(at + 1) % SHOWS.length].id;
    },
  };
}

export type ShapeBench = ReturnType<typeof useShapeBench>;
