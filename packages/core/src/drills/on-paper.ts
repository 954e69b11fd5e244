/** What of a drill stands on paper. */
import type { StaffDrawing } from '../engraving/engrave';
import { STAFF_WIDTH, type DrillSheetContent, type SheetCall } from '../paper/sheet-pieces';
import { staffBars, type StaffBar } from '../score/staff';
import type { DrillContext } from '../hands/taught-hand';
import type { DrillStep } from './drill';
import { instrumentFor } from './drill';
import type { GripItem } from './items';
import type { Drill } from './recipe';
import { staffFifths } from './staff-key';

/** Grips printed as cards; more are read from the tab. */
const MOST_CARDS = 12;

/** What the words of a drill are printed as: its steps in their order, and names of chords by symbol. */
export interface PaperWords {
  readonly asks: readonly string[];
  readonly names: Readonly<Record<string, string>>;
  readonly signs: (text: string) => string;
}

/** Bars of a staff in lines so many pixels wide: `staffLines` of the engraver, which is loaded only where it is needed. */
export type Engraver = (bars: readonly StaffBar[], fifths: number, width: number) => readonly StaffDrawing[];

/** What is asked stands on the staff: without it there is nothing to answer. */
export const readsStaff = (drill: Drill): boolean => drill.recipe.family === 'note reading';

/** A rhythm without a guitar: crosses on a staff. */
export const readsRhythm = ({ recipe }: Pick<Drill, 'recipe'>): boolean => recipe.family === 'tap it';

/** What is tapped or sung from the staff: no neck and no tab belong to it. */
export const needsNoNeck = ({ recipe }: Pick<Drill, 'recipe'>): boolean =>
  recipe.family === 'tap it' || (recipe.family === 'piece section' && recipe.parameters.part === 'sung');

const rightOf = ({ answer }: DrillStep, signs: (text: string) => string): string => {
  if (!answer) return '';
  if ('right' in answer) return answer.right.split(' ').map(signs).join(' ');
  return answer.places.map(({ string, fret }) => `${string}:${fret}`).join(answer.kind === 'all places' ? ' + ' : ' / '); // prettier-ignore
};

function gripsOf(steps: readonly DrillStep[]): GripItem[] {
  const seen = new Map<string, GripItem>();
  for (const { grip } of steps) if (grip) seen.set(`${grip.chord} ${grip.frets.join()}`, grip);
  return [...seen.values()].slice(0, MOST_CARDS);
}

/**
 * Calls that are heard have nothing to be read; calls and boxes have no tab, which would answer them.
 * @param engraver puts a staff over the tab, but not over calls that it would answer; null for none
 */
export function onPaper(
  drill: Drill,
  words: PaperWords,
  context: DrillContext,
  engraver: Engraver | null = null,
): DrillSheetContent {
  const { steps } = drill;
  const reads = readsStaff(drill);
  const nameOf = (symbol: string) => words.names[symbol] ?? words.signs(symbol);
  const asked = steps.flatMap((step, i): (SheetCall & { readonly written: boolean })[] =>
    step.answer
      ? [
          {
            // The staff asks; a bar has the number of its call.
            ask: reads ? '' : (words.asks[i] ?? ''),
            right: rightOf(step, words.signs),
            written: step.answer.kind === 'written',
          },
        ]
      : [],
  );
  // Numbers are read and their chords named on the page of answers; tab would name them at once.
  const called = steps.flatMap((step, i): SheetCall[] =>
    step.called && step.grip ? [{ ask: words.asks[i] ?? '', right: nameOf(step.grip.chord) }] : [],
  );
  const played = steps.flatMap((step, i) =>
    drill.judged === 'calls' && !step.answer ? [{ ask: words.asks[i] ?? '', right: '' }] : [],
  );
  const instrument = instrumentFor(drill, context.instrument);
  const tab = drill.judged !== 'calls' && called.length === 0;
  return {
    cards: gripsOf(steps).map((grip) => ({
      frets: grip.frets,
      fingers: grip.fingers,
      name: nameOf(grip.chord),
      under: '',
    })),
    staff:
      engraver && (reads || tab)
        ? engraver(staffBars(drill.score, instrument), staffFifths(drill) ?? 0, STAFF_WIDTH)
        : null,
    score: tab && !needsNoNeck(drill) ? drill.score : null,
    calls: [...asked.filter((one) => !one.written), ...played, ...called],
    boxes: asked.filter((one) => one.written),
    board: drill.bounds ? { notes: drill.bounds.notes, instrument } : null,
  };
}
