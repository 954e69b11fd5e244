/** The drill bench: a recipe, what it makes for the hand on the bench, its neighbours, its keys, and where it goes. */
import { recipeSchema } from '@finch/contract';
import {
  drawsAnew,
  drillTitle,
  easier,
  FAMILIES,
  firstRecipe,
  forHand,
  gripsOf,
  harder,
  makeDrill,
  redrawn,
  rekeyForHand,
  rootOf,
  type Drill,
  type DrillFamily,
  type Recipe,
} from '@finch/core/drills';
import { fretsText, parseFrets } from '@finch/core/grips';
import { soundSchedule } from '@finch/core/sound';
import { gripLimit } from '@finch/core/hands';
import { parseChord, pitchClassOf, type NoteName } from '@finch/core/theory';
import * as v from 'valibot';
import { computed, shallowRef, watch } from 'vue';
import { useAddress } from '../../session/address';
import { useBench } from '../../session/bench';
import { chordAmong, offerChord } from '../../session/chord-in-hand';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useNotices } from '../../session/notices';
import { heldGrips } from '../../session/held-grips';
import { useSyllabus } from '../../session/queries';
import { useTaught } from '../../session/taught';
import { nameChord, say } from '../../words';
import { benchWork, plain } from '../../workers/bench';
import type { KeyedDrill, Notch } from '../../workers/bench-jobs';
import { useLatest } from '../../workers/latest';
import { usePlayer } from '../../workers/player';
import { useHeard } from '../../workers/use-heard';
import { useDrillFinder } from './use-drill-finder';

const FIRST = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const isFamily = (name: string): name is DrillFamily => FAMILIES.some((one) => one.name === name);

/** The recipe in an address; null where there is none or it cannot be read. */
function readRecipe(text: string): Recipe | null {
  try {
    const read = v.safeParse(recipeSchema, JSON.parse(text));
    return read.success ? read.output : null;
  } catch {
    return null;
  }
}

export function useDrillBench() {
  const bench = useBench();
  const address = useAddress();
  const player = usePlayer();
  const notices = useNotices();
  const taught = useTaught(() => bench.studentId);
  const { student, drilling, instrument } = taught;
  const gripFrom = (chord: string, frets: string) => {
    const read = parseFrets(frets);
    return chord && read.ok ? { chord, frets: read.value } : null;
  };
  /** A chord without a grip serves the families that find their own. */
  const chordAlone = (chord: string) => (parseChord(chord).ok ? { ...FIRST, chord } : null);
  // Read once: the address holds the drill alone from then on.
  const begun = {
    grip:
      gripFrom(address.text('chord'), address.text('frets')) ?? chordAlone(address.text('chord')) ?? FIRST,
    from: gripFrom(address.text('from'), address.text('fromFrets')),
  };
  const { data: syllabus } = useSyllabus();
  const held = computed(() => heldGrips(student.value?.skills ?? [], syllabus.value));
  const start = computed(() => ({ ...begun, held: held.value, instrument: instrument.value }));
  const asked = address.text('family');
  const given = readRecipe(address.text('recipe'));
  const unread = given === null && address.text('recipe') !== '';
  const first = isFamily(asked) ? asked : address.text('frets') ? 'ring check' : 'five forms';
  const recipe = shallowRef<Recipe>(given ?? firstRecipe(first, start.value));
  // The address holds the drill, so that it can be kept or passed on.
  watch(recipe, (now) => address.hold({ recipe: JSON.stringify(now) }));

  /** Worked out beside the page; the drill before stays until the new one is there. */
  const making = useLatest(
    () => [recipe.value, drilling.value] as const,
    ([now, context]) => benchWork().made(plain(now), plain(context)),
    () => true,
  );
  const drill = computed<Drill | null>(() => making.answer.value?.drill ?? null);
  const title = computed(() => say(drillTitle(recipe.value)));
  /** Another family around the same grips. */
  const open = (family: DrillFamily) =>
    (recipe.value = forHand(
      firstRecipe(family, { ...start.value, grips: gripsOf(recipe.value) }),
      drilling.value,
    ));

  /** One step easier and one harder, worked out beside the page like the keys; those before stay meanwhile. */
  const steps = useLatest(
    () => [recipe.value, drilling.value] as const,
    ([now, context]) => benchWork().notches(plain(now), plain(context)),
    () => true,
  );
  const notches = computed<readonly Notch[]>(() => steps.answer.value ?? []);
  function step(way: Notch['way']) {
    // Made here, so that a key pressed before the notches came does what it says.
    const next = (way === 'easier' ? easier : harder)(recipe.value, drilling.value);
    if (next.ok) recipe.value = next.value;
  }

  /** The drill on each of the twelve roots; those of the key before stay until the new ones are there. */
  const keys = useLatest(
    () => (rootOf(recipe.value) ? ([recipe.value, drilling.value] as const) : null),
    ([now, context]) => benchWork().keyed(plain(now), plain(context)),
    ([now], before) => now.family === before?.[0].family,
  );
  const keyed = computed<readonly KeyedDrill[]>(() => keys.answer.value ?? []);
  const rootNow = computed(() => {
    const root = rootOf(recipe.value);
    return root ? pitchClassOf(root) : null;
  });
  /** The drill as it is now on another root, whatever the row shows of it yet. */
  function toKey(root: NoteName) {
    const moved = rekeyForHand(recipe.value, root, drilling.value);
    if (moved.ok) recipe.value = moved.value;
  }
  function nextKey() {
    const order = keyed.value.filter((one) => one.recipe !== null);
    const at = order.findIndex((one) => pitchClassOf(one.root) === rootNow.value);
    const next = order[(at + 1) % Math.max(1, order.length)];
    if (next) toKey(next.root);
  }

  /** Another draw of what is drawn; nothing where nothing else comes. */
  function redraw() {
    const next = redrawn(recipe.value, drilling.value);
    if (next) recipe.value = next;
    else notices.tell('Nothing else can be drawn of this.');
  }
  const finder = useDrillFinder({
    context: () => drilling.value,
    grip: () => gripsOf(recipe.value)[0] ?? begun.grip,
    held: () => held.value,
  });

  const sound = useHeard(drill, instrument);
  async function hear() {
    if (player.playing.value) return player.stop();
    await play();
  }
  async function play(from = 0) {
    if (!sound.score.value || !sound.instrument.value) return;
    const played = sound.instrument.value;
    await player.play(soundSchedule(sound.score.value, played), { instrument: played, from });
  }
  watch(recipe, () => player.stop());
  watch(sound.heard, () => player.playing.value && void play(player.at.value ?? 0));

  /** Another student comes to the bench: the drill is made anew for that hand. */
  watch(student, (now, before) => {
    if (!now || now.id === before?.id) return;
    const own = forHand(recipe.value, drilling.value);
    if (own === recipe.value) return;
    recipe.value = own;
    const grips = [
      ...new Set(gripsOf(own).map((grip) => `${nameChord(grip.chord)} ${fretsText(grip.frets)}`)),
    ];
    notices.tell(`Made for the hand of ${now.name}${grips.length ? `: ${grips.join(', ')}` : ''}.`);
  });

  offerChord(() => chordAmong(gripsOf(recipe.value), 0));
  // Asked here, so that a key pressed before the drawing came hands out what the title says.
  const canBeMade = () => makeDrill(recipe.value, drilling.value).ok;
  const handOut = useHandOut();
  return {
    taught,
    recipe,
    drill,
    problem: computed(() => making.answer.value?.problem ?? null),
    nearest: computed(() => making.answer.value?.nearest ?? null),
    failed: making.failed,
    again: making.again,
    title,
    unread,
    open,
    notches,
    step,
    keyed,
    rootNow,
    nextKey,
    toKey,
    player,
    hear,
    sound,
    over: computed(() =>
      drill.value ? Math.round(drill.value.heaviestGrip - gripLimit(drilling.value)) : 0,
    ),
    busy: handOut.busy,
    redraw,
    draws: computed(() => drawsAnew(recipe.value)),
    finder,
    put: () => canBeMade() && handOut.put(blockOf(recipe.value, drilling.value)),
    home: () => canBeMade() && handOut.home(recipe.value),
  };
}
