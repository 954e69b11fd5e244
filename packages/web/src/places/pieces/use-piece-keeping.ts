/** Writing a piece: a chart kept, moved to another key, given parts and a concert, taken away and brought back. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { Frets } from '@finch/core/grips';
import { readChart, rekeyPiece, writeChart, type KeyOffer } from '@finch/core/score';
import { v7 as uuid } from 'uuid';
import { computed, ref, shallowRef, type Ref } from 'vue';
import { useKeeping } from '../../session/keeping';
import { chordText, sayError } from '../../words';
import { contentOf, locksAfter, type Listed } from './listed';

interface Store {
  readonly keep: (id: string, version: number, content: PieceContent) => Promise<PieceBody>;
  readonly remove: (body: PieceBody) => Promise<number>;
  /** The piece as it is now; null when it was taken away. */
  readonly newest: (id: string) => Promise<PieceBody | null>;
}
type Part = keyof PieceContent;
const PARTS: readonly Part[] = ['chart', 'concert', 'locks', 'parts'];
interface Pending {
  /** The piece the change began from, or the newer one it is put on. */
  ground: PieceBody;
  readonly change: (on: PieceBody) => Partial<PieceContent>;
  readonly words: string;
}
const UNDO_MS = 10_000;
const MOST_LOCKS = 400;
const BARE = { concert: null, locks: {}, parts: {} } as const;

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);
const changed = (from: PieceBody, to: PieceBody) => PARTS.filter((part) => !same(from[part], to[part]));
/** What is new in a piece, as the one who writes beside it needs to know it. */
function newIn(from: PieceBody, to: PieceBody): string {
  const says: Record<Part, string> = {
    chart: to.chart,
    concert: to.concert ? `concert ${to.concert.name}, ${to.concert.day}` : 'no concert',
    locks: 'other grips are locked',
    parts: 'other parts are given',
  };
  return changed(from, to)
    .map((part) => says[part])
    .join('\n');
}

/** Every writer says what came of it in `said` or `trouble`; those that make a piece give its id, or null. */
export function usePieceKeeping(
  shown: Readonly<Ref<Listed | null>>,
  { keep, remove, newest }: Store,
  /** Shows a piece that was made beside the one shown. */
  beside: (id: string) => void,
) {
  const busy = ref(false);
  const trouble = ref('');
  const said = ref('');
  const undo = shallowRef<{ body: PieceBody; version: number } | null>(null);
  let pending: Pending | null = null;
  const begun = () => {
    if (!pending) throw new RangeError('no change was begun');
    return pending;
  };
  /** What is changed of a piece, over the version it began from. */
  const versions = useKeeping<PieceBody>({
    name: 'Piece',
    send: async (version) => {
      const { ground, change, words } = begun();
      const kept = await keep(ground.id, version, { ...contentOf(ground), ...change(ground) });
      said.value = words;
      return kept.version;
    },
    newest: async () => {
      const now = await newest(begun().ground.id);
      if (!now) throw new Error('it was taken away meanwhile.');
      return now;
    },
    versionOf: (theirs) => theirs.version,
    inWords: (theirs) => newIn(begun().ground, theirs),
    show: () => (pending = null),
  });
  async function write(work: () => Promise<string>): Promise<boolean> {
    busy.value = true;
    trouble.value = said.value = '';
    try {
      said.value = await work();
      return true;
    } catch (error) {
      trouble.value = sayError(error);
      return false;
    } finally {
      busy.value = false;
    }
  }
  const keptWords = (chart: string) => `${readChart(chart).piece.title} is kept.`;
  /** What others changed elsewhere in the piece meanwhile stays; where both changed the same, both are offered. */
  async function change(
    how: (on: PieceBody) => Partial<PieceContent>,
    words: string,
    ground = shown.value?.body,
  ): Promise<boolean> {
    if (!ground) return false;
    said.value = trouble.value = '';
    if (!ground.mayChange) {
      // The studio's concert and parts stay the studio's; what is asked for now is in the new one.
      const bare = { ...ground, concert: null, parts: {} };
      return keepBeside({ ...contentOf(bare), ...how(bare) });
    }
    pending = { ground, change: how, words };
    versions.began(ground.version);
    if (await versions.keep()) return true;
    const theirs = versions.newer();
    if (!theirs) return false;
    const mine = how(ground);
    const parts = PARTS.filter((part) => part in mine);
    if (parts.every((part) => same(mine[part], theirs[part]))) {
      // Kept before, by a press whose answer was lost.
      versions.forget();
      said.value = words;
      return true;
    }
    return !changed(ground, theirs).some((part) => parts.includes(part)) && keepMine();
  }
  /** Of a piece that is not one's own to change: another, beside it, and shown from now on. */
  async function keepBeside(content: PieceContent): Promise<boolean> {
    const id = uuid();
    const kept = await write(async () => {
      await keep(id, 0, content);
      const { title } = readChart(content.chart).piece;
      return `${title} is kept as a piece of your own; the studio’s is as it was.`;
    });
    if (kept) beside(id);
    return kept;
  }
  /** Mine over theirs: only what I changed, the rest as they left it. */
  async function keepMine(): Promise<boolean> {
    const theirs = versions.newer();
    if (!theirs) return false;
    begun().ground = theirs;
    return versions.keepMine();
  }
  /** A new piece; what a tab stacked is locked bar by bar, so that it is graded as it was written. */
  async function keepNew(chart: string, grips: readonly Frets[] = []): Promise<string | null> {
    const id = uuid();
    const locks = Object.fromEntries(
      grips.slice(0, MOST_LOCKS).map((frets, i) => [`0.${i}.0`, { frets: [...frets] }]),
    );
    const kept = await write(async () => {
      await keep(id, 0, { ...BARE, chart, locks });
      return keptWords(chart);
    });
    return kept ? id : null;
  }
  /** Over the piece as it was when the chart was opened. */
  async function keepChart(chart: string, ground: PieceBody): Promise<boolean> {
    const after = readChart(chart).piece;
    const over = (on: PieceBody) => ({
      chart,
      locks: locksAfter(readChart(on.chart).piece, after, on.locks),
    });
    return change(over, keptWords(chart), ground);
  }
  async function takeKey(offer: KeyOffer): Promise<void> {
    const piece = shown.value?.piece;
    if (!piece) return;
    const moved = rekeyPiece(piece, offer.key.name, {
      capo: offer.capo,
      ...(offer.sings ? { octaves: offer.sings.octaves } : {}),
    });
    if (!moved.ok) return;
    const name = chordText(offer.key.name.replace(' major', '').replace(' minor', 'm'));
    // Locked grips belong to the old key.
    await change(
      () => ({ chart: writeChart(moved.value), locks: {} }),
      `${piece.title} is in ${name} now${offer.capo ? `, capo ${offer.capo}` : ''}.`,
    );
  }
  async function takeAway(): Promise<void> {
    const now = shown.value;
    if (!now) return;
    await write(async () => {
      const gone = { body: now.body, version: await remove(now.body) };
      undo.value = gone;
      setTimeout(() => undo.value === gone && (undo.value = null), UNDO_MS);
      return `${now.piece.title} is taken away.`;
    });
  }
  async function bringBack(): Promise<string | null> {
    const gone = undo.value;
    if (!gone) return null;
    undo.value = null;
    const back = await write(async () => {
      await keep(gone.body.id, gone.version, contentOf(gone.body));
      return `${readChart(gone.body.chart).piece.title} is back.`;
    });
    return back ? gone.body.id : null;
  }
  return {
    busy: computed(() => busy.value || versions.busy.value),
    versions: { ...versions, keepMine },
    trouble,
    said,
    undo,
    change,
    keepNew,
    keepChart,
    takeKey,
    takeAway,
    bringBack,
  };
}

export type PieceKeeping = ReturnType<typeof usePieceKeeping>;
