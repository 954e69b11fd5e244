/** Pieces: the one shown, what it asks of who is on the bench and of the group, and where it goes from here. */
import { fretsText } from '@finch/core/grips';
import type { PartKind } from '@finch/core/score';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import type { PaperJob } from '../../paper/paper-files';
import { useBench } from '../../session/bench';
import { offerChord } from '../../session/chord-in-hand';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useSyllabus } from '../../session/queries';
import { useTaught } from '../../session/taught';
import { chartJob } from './chart-job';
import { changesQuery, sectionDrill, weakestLoop } from './hand-on';
import { heldChords } from '../../session/held-grips';
import { needsOf } from './needs';
import { PART_NAMES } from './part-words';
import { useRepertoire } from './repertoire';
import { useChartShown } from './use-chart-shown';
import { useDemand } from './use-demand';
import { useGroup } from './use-group';
import { usePieceKeeping } from './use-piece-keeping';
import { usePieceDialogs } from './use-piece-dialogs';

export function usePieceBench(pieceId: () => string | undefined) {
  const router = useRouter();
  const bench = useBench();
  const { query, pieces, today, ...store } = useRepertoire();
  const taught = useTaught(() => bench.studentId);
  const { student, drilling } = taught;
  const { data: syllabus } = useSyllabus();
  const first = computed(() => student.value?.name.split(' ')[0] ?? null);

  const at = computed(() =>
    Math.max(
      0,
      pieces.value.findIndex((one) => one.body.id === pieceId()),
    ),
  );
  const shown = computed(() => pieces.value[at.value] ?? null);
  const open = (id: string) => void router.replace({ name: 'pieces', params: { pieceId: id } });
  const walk = (by: number) => {
    const next = pieces.value[at.value + by];
    if (next) open(next.body.id);
  };
  const asks = useDemand(shown, drilling);
  const { piece, demand } = asks;
  const group = useGroup(student, shown);
  const keeping = usePieceKeeping(shown, store, (id) => void open(id));
  const chart = useChartShown({
    piece,
    demand,
    parts: asks.parts,
    instrument: computed(() => drilling.value.instrument),
  });
  const dialogs = usePieceDialogs(shown, keeping, open);

  const needs = computed(() =>
    demand.value
      ? needsOf(demand.value, drilling.value.instrument, student.value?.skills ?? [], syllabus.value)
      : [],
  );
  const held = computed(() => heldChords(student.value?.skills ?? [], syllabus.value));
  const concert = computed(() => {
    const set = shown.value?.body.concert;
    return set ? { ...set, days: differenceInCalendarDays(parseISO(set.day), parseISO(today.value)) } : null;
  });
  const ready = computed(() =>
    group.readiness(concert.value?.days ?? 0, new Set(needs.value.map((need) => need.id))),
  );
  const give = (studentId: string, kind: PartKind | null) => {
    const who = group.names.value[studentId]?.name.split(' ')[0];
    return keeping.change(
      (on) => {
        const { [studentId]: _before, ...others } = on.parts;
        return { parts: kind ? { ...others, [studentId]: kind } : others };
      },
      kind ? `${who} plays ${PART_NAMES[kind].toLowerCase()}.` : 'Parts are solved anew.',
    );
  };
  async function bringBack() {
    const id = await keeping.bringBack();
    if (id !== null) open(id);
    return id;
  }
  const job = computed<PaperJob | null>(() => {
    const now = chart.asPart.value;
    if (!dialogs.is.printing || !now || !demand.value) return null;
    const full = chart.part.value === 'full';
    return chartJob(now, {
      grips: full ? demand.value.chords.map((one) => one.step.grip) : [],
      leftHanded: drilling.value.instrument.leftHanded,
      foot: full ? `Grips for ${first.value ?? taught.whose.value}` : PART_NAMES[chart.part.value],
    });
  });

  function toDrill() {
    const now = chart.asPart.value;
    const recipe =
      now && sectionDrill(now, shown.value?.body.id ?? '', chart.picked.value, chart.grips.value);
    if (recipe) void router.push({ name: 'drills', query: { recipe: JSON.stringify(recipe) } });
  }
  function toChanges(numbers: readonly number[] = chart.picked.value) {
    if (piece.value) void router.push({ name: 'changes', query: changesQuery(piece.value, numbers) });
  }
  function loopWeak() {
    chart.picked.value = [...chart.weak.value];
    toChanges(chart.weak.value);
  }
  function openShape(chord: number) {
    const step = demand.value?.chords[chord].step;
    if (!step?.grip) return;
    void router.push({
      name: 'shapes',
      query: { chord: step.chord.symbol, frets: fretsText(step.grip.frets) },
    });
  }
  /** The first chord of the bars picked, or of the weakest change. */
  offerChord(() => {
    const numbers = chart.picked.value.length ? chart.picked.value : chart.weak.value;
    const all = demand.value?.chords ?? [];
    const at = Math.max(
      0,
      all.findIndex((one) => numbers.includes(one.number)),
    );
    const one = all[at]?.step;
    if (!one) return null;
    return {
      symbol: one.chord.symbol,
      ...(one.grip ? { frets: fretsText(one.grip.frets) } : {}),
      ...(all[at - 1] ? { before: all[at - 1].step.chord.symbol } : {}),
      ...(all[at + 1] ? { next: all[at + 1].step.chord.symbol } : {}),
    };
  });
  const handOut = useHandOut();
  function put() {
    const recipe = demand.value && weakestLoop(demand.value);
    if (recipe) void handOut.put(blockOf(recipe, drilling.value));
  }
  function otherStudent() {
    const all = group.members.value;
    const now = all.findIndex((one) => one.id === bench.studentId);
    const next = all[(now + 1) % Math.max(1, all.length)];
    if (next) bench.put(next.id, null);
  }
  return {
    query,
    pieces,
    at,
    shown,
    open,
    walk,
    taught,
    first,
    asks,
    group,
    keeping,
    chart,
    dialogs,
    needs,
    held,
    concert,
    ready,
    give,
    bringBack,
    job,
    toDrill,
    toChanges,
    loopWeak,
    openShape,
    put,
    otherStudent,
  };
}

export type PieceBench = ReturnType<typeof usePieceBench>;
