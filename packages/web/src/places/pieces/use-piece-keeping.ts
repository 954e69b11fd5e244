/** Writing a piece: a chart kept, moved to another key, given parts and a concert, taken away and brought back. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { Frets } from '@finch/core/grips';
import { readChart, rekeyPiece, writeChart, type KeyOffer } from '@finch/core/score';
import { v7 as uuid } from 'uuid';
import { ref, shallowRef, type Ref } from 'vue';
import { chordText, sayError } from '../../words';
import { contentOf, locksAfter, type Listed } from './listed';

interface Store {
  readonly keep: (id: string, version: number, content: PieceContent) => Promise<PieceBody>;
  readonly remove: (body: PieceBody) => Promise<number>;
}
const UNDO_MS = 10_000;
const MOST_LOCKS = 400;
const BARE = { concert: null, locks: {}, parts: {} } as const;

/** Every writer says what came of it in `said` or `trouble`; those that make a piece give its id, or null. */
export function usePieceKeeping(shown: Readonly<Ref<Listed | null>>, { keep, remove }: Store) {
  const busy = ref(false);
  const trouble = ref('');
  const said = ref('');
  const undo = shallowRef<{ body: PieceBody; version: number } | null>(null);
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
  async function change(content: Partial<PieceContent>, words: string): Promise<boolean> {
    const body = shown.value?.body;
    if (!body) return false;
    return write(async () => {
      await keep(body.id, body.version, { ...contentOf(body), ...content });
      return words;
    });
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
  async function keepChart(chart: string): Promise<boolean> {
    const now = shown.value;
    if (!now) return false;
    const after = readChart(chart).piece;
    return change({ chart, locks: locksAfter(now.piece, after, now.body.locks) }, keptWords(chart));
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
      { chart: writeChart(moved.value), locks: {} },
      `${piece.title} is in ${name} now${offer.capo ? `, capo ${offer.capo}` : ''}.`,
    );
  }
  async function takeAway(): Promise<void> {
    const now = shown.value;
    if (!now) return;
    await write(async () => {
      undo.value = { body: now.body, version: await remove(now.body) };
      setTimeout(() => (undo.value = null), UNDO_MS);
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
  return { busy, trouble, said, undo, write, change, keepNew, keepChart, takeKey, takeAway, bringBack };
}

export type PieceKeeping = ReturnType<typeof usePieceKeeping>;
