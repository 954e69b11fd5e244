/** What is told about the grip in hand, each worked out when it is looked at. */
import type { DrillContext } from '@finch/core/hands';
import type { Form, GradedGrip, StandIn } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { ref, type Ref } from 'vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import type { AlongPart } from './along-parts';

export const TABS = [
  { id: 'why', name: 'Why' },
  { id: 'easier', name: 'Easier' },
  { id: 'one', name: 'One note' },
  { id: 'along', name: 'Along the neck' },
  { id: 'compare', name: 'Compare' },
  { id: 'names', name: 'Names' },
] as const;
/** What is told of two grips, one of them kept. */
export const BESIDE_PARTS = [
  { id: 'change', name: 'The change' },
  { id: 'grips', name: 'Side by side' },
] as const;
export type BesidePart = (typeof BESIDE_PARTS)[number]['id'];
export type ShapeTab = (typeof TABS)[number]['id'];

const FORM_BY_ROOT: Readonly<Record<number, Form>> = { 6: 'E', 5: 'A', 4: 'D' };

export function useShapeTabs(given: {
  readonly tab: string;
  readonly picked: Readonly<Ref<GradedGrip | null>>;
  readonly chord: Readonly<Ref<Chord | null>>;
  readonly drilling: Readonly<Ref<DrillContext>>;
}) {
  const tab = ref<ShapeTab>(TABS.find((one) => one.id === given.tab)?.id ?? 'why');
  /** What is looked at along the neck; another grip is looked at the same way. */
  const part = ref<AlongPart>('forms');
  const besidePart = ref<BesidePart>('change');
  const asked = (of: ShapeTab) => {
    const [grip, chord] = [given.picked.value, given.chord.value];
    if (tab.value !== of || !grip || !chord) return null;
    const { hand, instrument } = given.drilling.value;
    return { grip: plain(grip), chord: plain(chord), hand: plain(hand), instrument: plain(instrument) };
  };
  const easier = useLatest(
    () => asked('easier'),
    ({ grip, chord, hand, instrument }) => benchWork().standIns(grip, chord, hand, instrument),
  );
  const changes = useLatest(
    () => asked('one'),
    ({ grip, chord, hand, instrument }) => benchWork().oneNote(grip.frets, chord, hand, instrument),
  );
  const along = useLatest(
    () => asked('along'),
    ({ grip, chord, hand, instrument }) =>
      benchWork().along(
        grip,
        chord,
        grip.form ?? FORM_BY_ROOT[grip.rootString ?? 6] ?? 'E',
        hand,
        instrument,
      ),
  );
  return {
    tab,
    standIns: easier.answer,
    /** The easiest grip for the same job that needs no capo, asked for by itself, whatever tab is open. */
    async easiest(): Promise<StandIn | null> {
      const [grip, chord] = [given.picked.value, given.chord.value];
      if (!grip || !chord) return null;
      const { hand, instrument } = given.drilling.value;
      const all = await benchWork().standIns(plain(grip), plain(chord), plain(hand), plain(instrument));
      return all.find((one) => !one.capo) ?? null;
    },
    changes: changes.answer,
    along: along.answer,
    part,
    besidePart,
    show: (one: ShapeTab) => (tab.value = one),
    next: () => {
      const at = TABS.findIndex((one) => one.id === tab.value);
      tab.value = TABS[(at + 1) % TABS.length].id;
    },
  };
}
