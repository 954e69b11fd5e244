/**
 * Write it out: homework on paper. A box for each scale or chord of some keys, and numbers to be played in each of them. What
 * was written is typed back, and each slip has its name.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import type { Bar } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import type { Chord } from '../../../theory/chord';
import { degreeChords } from '../../../theory/degree-chords';
import type { Key } from '../../../theory/key';
import { noteText, type NoteName } from '../../../theory/note';
import { numberedChord } from '../../../theory/number';
import { BEATS_A_CALL, callsDrill } from '../../calls';
import { heardNotes } from '../../choice-calls';
import { heardChord } from '../../heard-notes';
import type { DrillOf, DrillStep } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import type { Item } from '../../items';
import { keysAround } from '../../keys-around';
import { namedRoot, rootText } from '../../moving';
import { beside } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { WRITTEN, WRITTEN_KINDS, parameters } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type WriteItOutRecipe = RecipeOf<'write it out', Parameters>;
export const writeItOut = recipeOf<WriteItOutRecipe>('write it out');

/** Boxes on the two pages of one day. */
export const BOXES_A_DAY = 30;
/** Seconds a box is given for the length of a take; a box is never late. */
const SECONDS_A_BOX = 20;
const HEARD_BPM = 84;
/** Points for each sign of the widest signature, for what is written, for the kind of scale, for a key more, a playing more (our assumption). */
const POINTS = { sign: 0.6, what: 3, kind: 1.5, key: 0.6, times: 0.2 } as const;

interface Box {
  readonly item: Item;
  readonly label: string;
  readonly notes: readonly NoteName[];
}

function boxesOf(of: Key, what: Parameters['what']): Box[] {
  if (what === 'scales') return [{ item: { kind: 'key', key: of.name }, label: of.name, notes: of.scale }];
  return degreeChords(of, { sevenths: what === 'sevenths' }).map(({ chord }) => ({
    item: { kind: 'interval', root: noteText(chord.root), degree: '3' },
    label: chord.symbol,
    notes: chord.tones.map((tone) => tone.note),
  }));
}

/** Chords of numbers in a key. Problem `drill.numerals` names the one that cannot be read. */
function chordsOf(of: Key, progression: string): Result<Chord[]> {
  const chords: Chord[] = [];
  for (const word of progression
    .trim()
    .split(/[\s,|-]+/)
    .filter(Boolean)) {
    // prettier-ignore
    const read = numberedChord(word, of);
    if (!read.ok) return fail('drill.numerals', word, 'numbers of a key, like 1 5 6 4');
    chords.push(read.value);
  }
  return chords.length <= 8 ? ok(chords) : fail('drill.numerals', progression, 'eight numbers at most');
}

function make(recipe: WriteItOutRecipe, context: DrillContext): Result<DrillOf<WriteItOutRecipe>> {
  const { what, root, kind, keys: count, times, progression, days } = recipe.parameters;
  if (!(Number.isInteger(count) && count >= 1 && count <= 15))
    return fail('drill.keys', 'keys', '1 to 15 keys');
  if (!(Number.isInteger(times) && times >= 1 && times <= 10))
    return fail('drill.times', 'times', '1 to 10 times');
  if (!(Number.isInteger(days) && days >= 1 && days <= 7)) return fail('drill.days', 'days', '1 to 7 days');
  const keys = keysAround(`${root} ${kind}`, count);
  if (!keys.ok) return keys;
  const perKey = what === 'scales' ? 1 : 7;
  const wanted = Math.ceil((count * perKey) / BOXES_A_DAY);
  if (wanted > days) return fail('drill.days', 'days', `${wanted} days or more, so that each fits two pages`);
  const steps: (Omit<DrillStep, 'startTick' | 'ticks'> & Partial<DrillStep>)[] = [];
  const bars: Bar[] = [];
  const put = (step: (typeof steps)[number], own: readonly Bar[]) => {
    const startTick = bars.reduce((sum, bar) => sum + ticksOf(bar.beats), 0);
    bars.push(...own);
    steps.push({ ...step, startTick, ticks: ticksOf(own.reduce((sum, bar) => sum + bar.beats, 0)) });
  };
  for (const [at, of] of keys.value.entries()) {
    const day = 1 + Math.floor((at * days) / count);
    for (const { item, label, notes } of boxesOf(of, what))
      put(
        {
          item,
          ask: { code: 'ask.write', values: { label, key: of.name, what, day } },
          answer: { kind: 'written', right: notes.map(noteText).join(' ') },
        },
        [heardNotes(notes, context.instrument)],
      );
    const chords = chordsOf(of, progression);
    if (!chords.ok) return chords;
    if (chords.value.length === 0) continue;
    put(
      {
        item: { kind: 'progression', key: of.name, numerals: progression.trim().split(/[\s,|-]+/) },
        ask: {
          code: 'ask.play-numbers',
          values: {
            numbers: progression,
            key: of.name,
            times,
            day,
            chords: chords.value.map((chord) => chord.symbol).join(' '),
          },
        },
      },
      chords.value.map((chord): Bar => ({
        beats: BEATS_A_CALL,
        events: [
          {
            tick: 0,
            ticks: ticksOf(BEATS_A_CALL),
            notes: heardChord(chord, context.instrument),
            stroke: 'strum',
            chord: chord.symbol,
          },
        ],
      })),
    );
  }
  const signs = Math.max(...keys.value.map((one) => Math.abs(one.fifths)));
  const boxes = steps.filter((step) => step.answer).length;
  const drill = callsDrill(
    recipe,
    {
      steps,
      bars,
      secondsPerCall: SECONDS_A_BOX,
      heardBpm: HEARD_BPM,
      morePoints:
        POINTS.sign * signs +
        POINTS.what * WRITTEN.indexOf(what) +
        POINTS.kind * WRITTEN_KINDS.indexOf(kind) +
        POINTS.key * count +
        POINTS.times * times,
    },
    context,
  );
  return ok({
    ...drill,
    question: { code: 'question.written', values: { of: boxes, clean: Math.ceil(boxes * 0.9), times } },
  });
}

/** The first of the changes whose drill grades the right way. */
function notched(
  recipe: WriteItOutRecipe,
  context: DrillContext,
  changes: readonly (Partial<Parameters> | false)[],
  better: (now: number, then: number) => boolean,
): WriteItOutRecipe | null {
  const now = make(recipe, context);
  if (!now.ok) return null;
  for (const change of changes) {
    if (!change) continue;
    const then = make(withParameters(recipe, change), context);
    if (then.ok && better(now.value.effort, then.value.effort)) return withParameters(recipe, change);
  }
  return null;
}

export const writeItOutFamily: FamilyDefinition<WriteItOutRecipe> = {
  name: 'write it out',
  group: 'by ear and on paper',
  evidence: 'name',
  parameters,
  ...gripless,
  root: ({ parameters: { root } }) => namedRoot(root),
  rekey: (recipe, { to }) => ok(withParameters(recipe, { root: noteText(to) })),
  title: ({ parameters: { what, root, kind, keys } }) => ({
    code: 'title.written',
    values: { what, key: `${root} ${kind}`, keys },
  }),
  first: ({ grip }) => {
    const given: Parameters = {
      what: 'triads',
      root: rootText(grip),
      kind: 'major',
      keys: 3,
      times: 3,
      progression: '1 5 6 4',
      days: 1,
    };
    return writeItOut(keysAround(`${given.root} major`, 1).ok ? given : { ...given, root: 'C' });
  },
  make,
  /** Played less often, fewer keys, an easier scale, triads, scales alone. */
  easier: (recipe, context) => {
    const { times, keys, kind, what } = recipe.parameters;
    const plainer = beside(WRITTEN_KINDS, kind, -1);
    const less = beside(WRITTEN, what, -1);
    const easier = notched(
      recipe,
      context,
      [
        times > 1 && { times: times - 1 },
        keys > 1 && { keys: keys - 1 },
        plainer !== null && { kind: plainer },
        less !== null && { what: less },
      ],
      (now, then) => then <= now,
    );
    return easier ? ok(easier) : fail('drill.easiest', 'what', 'one scale, written and played once');
  },
  /** Sevenths, the other minors, a key more, played more often. */
  harder: (recipe, context) => {
    const { times, keys, kind, what, days } = recipe.parameters;
    const more = beside(WRITTEN, what, 1);
    const darker = beside(WRITTEN_KINDS, kind, 1);
    const room = Math.min(7, Math.ceil(((keys + 1) * (what === 'scales' ? 1 : 7)) / BOXES_A_DAY));
    const harder = notched(
      recipe,
      context,
      [
        more !== null && { what: more },
        darker !== null && { kind: darker },
        keys < 15 && { keys: keys + 1, days: Math.max(days, room) },
        times < 10 && { times: times + 1 },
      ],
      (now, then) => then >= now,
    );
    return harder ? ok(harder) : fail('drill.hardest', 'keys', 'fifteen keys, ten times');
  },
  fallbacks: (recipe) => {
    const { what, root, kind, keys, times, days, progression } = recipe.parameters;
    const named = namedRoot(root);
    const inBounds = (n: number, most: number, usual: number) =>
      Math.min(most, Math.max(1, Math.round(n) || usual));
    const many = inBounds(keys, 15, 3);
    const room = Math.ceil((many * (what === 'scales' ? 1 : 7)) / BOXES_A_DAY);
    const free = withParameters(recipe, {
      root: named && noteText(named) === root ? root : 'C',
      keys: many,
      times: inBounds(times, 10, 3),
      days: Math.max(room, inBounds(days, 7, 1)),
    });
    const twin = keysAround(`${free.parameters.root} ${kind}`, 1);
    const written = twin.ok ? free : withParameters(free, { root: twin.problem.detail.split(' ')[0] });
    return [
      free,
      written,
      withParameters(written, { progression: progression ? '1 5 6 4' : '' }),
      withParameters(written, { progression: '' }),
      withParameters(free, { root: 'C', progression: '' }),
    ];
  },
};
