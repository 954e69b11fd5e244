/** The dialogs of Pieces: which is open, and what of each is kept. One that could not keep stays open with its words. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { Frets } from '@finch/core/grips';
import type { KeyOffer } from '@finch/core/score';
import { reactive, ref, type Ref } from 'vue';
import { useDrafts } from '../../session/drafts';
import type { Listed } from './listed';
import type { PieceKeeping } from './use-piece-keeping';

export function usePieceDialogs(
  shown: Readonly<Ref<Listed | null>>,
  keeping: PieceKeeping,
  open: (id: string) => void,
) {
  const drafts = useDrafts();
  const is = reactive({
    editing: false,
    ruling: false,
    filing: false,
    keying: false,
    staging: false,
    printing: false,
  });
  /** What the editor begins with; null edits the piece shown. */
  const begun = ref<string | null>(null);
  /** The piece as it was when its chart was opened: what is kept goes over that one. */
  let ground: PieceBody | null = null;
  function edit(chart: string | null) {
    begun.value = chart;
    ground = chart === null ? (shown.value?.body ?? null) : null;
    keeping.versions.forget();
    keeping.trouble.value = '';
    is.editing = true;
  }
  async function keepNew(
    chart: string,
    dialog: 'editing' | 'ruling' | 'filing',
    grips: readonly Frets[] = [],
  ) {
    const id = await keeping.keepNew(chart, grips);
    if (id === null) return;
    if (dialog === 'editing') drafts.drop('chart:new');
    is[dialog] = false;
    open(id);
  }
  async function keepChart(chart: string) {
    if (!ground) return keepNew(chart, 'editing');
    if (await keeping.keepChart(chart, ground)) is.editing = false;
  }
  async function setConcert(set: PieceContent['concert']) {
    if (await keeping.change(() => ({ concert: set }), set ? `${set.name} is set.` : 'No concert is set.'))
      is.staging = false;
  }
  return {
    is,
    begun,
    edit,
    keepChart,
    keepNew,
    setConcert,
    /** Theirs was taken, or mine over theirs: nothing is left to keep. */
    settled: () => {
      if (is.editing && ground) drafts.drop(`chart:${ground.id}`);
      is.editing = is.staging = false;
    },
    editRuled: (chart: string) => {
      is.ruling = false;
      edit(chart);
    },
    takeKey: (offer: KeyOffer) => {
      is.keying = false;
      return keeping.takeKey(offer);
    },
    onPaper: () => {
      is.filing = false;
      is.printing = true;
    },
  };
}
