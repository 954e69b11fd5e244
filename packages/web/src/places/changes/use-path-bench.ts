/** Changes: what is typed and asked, the path that came of it, the change looked at, and where it goes from here. */
import { OBJECTIVES, type OtherWay, type PractiseStep } from '@finch/core/changes';
import { fretsText, isFullBarre } from '@finch/core/grips';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { PaperJob } from '../../paper/paper-files';
import { useAddress } from '../../session/address';
import { useBench } from '../../session/bench';
import { offerChord } from '../../session/chord-in-hand';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useTaught } from '../../session/taught';
import { nameChord } from '../../words';
import { gaveWayWords } from '../../words/change-words';
import { readAsked, writeAsked } from './path-asked';
import { loopOfPair, loopOfPath, practised } from './path-loops';
import { pathJob } from './path-paper';
import { whereText } from './progression';
import { usePath } from './use-path';
import { usePathHeard } from './use-path-heard';

const FIRST = 'Abmaj7 | Fm7 | Bbm7 | Eb7 | Abmaj7 | Dbm6 | Eb7/Bb | Ab6';
const TEMPO = { least: 20, most: 300 };
const MOST_FRETS = 11;

export function usePathBench() {
  const bench = useBench();
  const router = useRouter();
  const address = useAddress();
  const taught = useTaught(() => bench.studentId);
  const { student, drilling, instrument } = taught;
  const capo = Math.min(MOST_FRETS, Math.max(0, Math.round(Number(address.text('capo', '0'))) || 0));
  const title = address.text('title');
  const work = usePath({
    typed: address.text('chords', FIRST),
    asked: readAsked(address.text('ask'), OBJECTIVES),
    drilling,
    capo,
  });
  const { path, picked } = work;
  const tempoGiven = ref<number | ''>(Number(address.text('tempo')) || '');
  /** The tempo typed, else the chart's own. */
  const wanted = computed(() => {
    const typed = Number(tempoGiven.value);
    return typed >= TEMPO.least && typed <= TEMPO.most ? typed : work.foundFor.value.piece.tempoBpm;
  });
  const where = computed(() => work.foundFor.value.chords.map(whereText));
  const wantedBpm = computed(() => where.value.map(() => wanted.value));
  /** The change looked at, with the grips on its two sides. */
  const pair = computed(() => {
    const at = picked.value;
    const now = path.value;
    const change = at === null ? null : (now?.changes[at] ?? null);
    if (at === null || !now || !change) return null;
    const [from, to] = [now.steps[at], now.steps[at + 1]];
    return from && to ? { at, from, to, change } : null;
  });
  const heard = usePathHeard(
    work,
    wanted,
    computed(() => pair.value?.at ?? null),
  );
  const gaveWay = computed(() =>
    (path.value?.steps ?? []).flatMap((step, i) =>
      step.gaveWay.length && where.value[i]
        ? [`${where.value[i]}, ${nameChord(step.chord.symbol)}: ${gaveWayWords(step.gaveWay)}`]
        : [],
    ),
  );
  const barres = computed(() =>
    (path.value?.steps ?? []).some(({ grip }) => !!grip?.barre && isFullBarre(grip.barre)),
  );
  watch(
    () => ({
      chords: work.settled.value,
      ask: writeAsked(work.asked),
      tempo: tempoGiven.value ? String(tempoGiven.value) : '',
      title,
      capo: capo ? String(capo) : '',
    }),
    (now, before) => JSON.stringify(now) !== JSON.stringify(before) && address.hold(now),
  );

  offerChord(() => {
    const step = path.value?.steps[pair.value ? pair.value.at + 1 : 0];
    if (!step) return null;
    return {
      symbol: step.chord.symbol,
      ...(step.grip ? { frets: fretsText(step.grip.frets) } : {}),
      ...(pair.value ? { before: pair.value.from.chord.symbol } : {}),
    };
  });
  /** Looks at the next change in either direction. */
  function step(by: number) {
    const all = path.value?.changes ?? [];
    let at = (picked.value ?? -1) + by;
    while (at >= 0 && at < all.length && !all[at]) at += by;
    if (all[at]) picked.value = at;
  }
  /** Takes another grip for the chord gone to, and keeps it locked. */
  function use(way: OtherWay | undefined) {
    if (picked.value === null || !way?.step.grip) return;
    work.lock(picked.value + 1, { frets: way.step.grip.frets, fingers: way.step.grip.fingers });
  }
  function openShape(at: number) {
    const found = path.value?.steps[at];
    if (!found?.grip) return;
    void router.push({
      name: 'shapes',
      query: { chord: found.chord.symbol, frets: fretsText(found.grip.frets) },
    });
  }
  const loop = computed(() => (pair.value ? loopOfPair(pair.value.from, pair.value.to) : null));
  const pathLoop = computed(() => loopOfPath(path.value?.steps ?? []));
  const toDrills = (recipe: typeof loop.value) =>
    recipe && void router.push({ name: 'drills', query: { recipe: JSON.stringify(recipe) } });
  const handOut = useHandOut();
  const printing = ref(false);
  const job = computed<PaperJob | null>(() =>
    printing.value && path.value
      ? pathJob(path.value, where.value, {
          title,
          who: taught.whose.value,
          leftHanded: instrument.value.leftHanded,
        })
      : null,
  );
  return {
    taught,
    work,
    heard,
    title,
    tempoGiven,
    wanted,
    where,
    wantedBpm,
    pair,
    gaveWay,
    barres,
    step,
    use,
    openShape,
    pathLoop,
    drill: (at: PractiseStep) => loop.value && toDrills(practised(loop.value, at)),
    drillPath: () => toDrills(pathLoop.value),
    put: () => loop.value && handOut.put(blockOf(loop.value, drilling.value)),
    printing,
    job,
    nextPath: () => (work.shown.value = (work.shown.value + 1) % Math.max(1, work.paths.value.length)),
    who: computed(() => (student.value ? `${student.value.name.split(' ')[0]}’s` : 'this hand’s')),
  };
}

export type PathBench = ReturnType<typeof usePathBench>;
