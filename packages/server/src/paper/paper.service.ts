/** Shape cards, charts, keys and scales on paper. Nothing is read or stored: whoever asks says what stands on the pages. */
import {
  drawChart,
  drawDrillSheet,
  drawKeySheet,
  drawPages,
  drawScaleSheet,
  drawSingle,
  type PaperPage,
} from '@finch/core/paper';
import type { PaperBody } from '@finch/contract';
import { makeDrill, onPaper, readsStaff } from '@finch/core/drills';
import { readChart } from '@finch/core/score';
import { trueSigns } from '@finch/core/shapes';
import type { Clock } from '../platform/clock';
import { Refusal } from '../platform/problems';
import { paperFonts, pdfOf } from './pdf';

export interface Paper {
  readonly print: (asked: PaperBody) => Promise<{ pdf: string }>;
}

async function pagesOf(asked: PaperBody): Promise<PaperPage[]> {
  const options = { ...asked, signs: trueSigns };
  if (asked.layout === 'chart')
    return drawChart(readChart(asked.chart).piece, { ...asked, signs: trueSigns });
  if (asked.layout === 'keys') return drawKeySheet(asked.keys, { ...asked, signs: trueSigns });
  if (asked.layout === 'necks')
    return drawScaleSheet(asked.necks, asked.instrument, { ...asked, signs: trueSigns });
  if (asked.layout === 'drill') {
    const { hand, instrument, limits, asks, names } = asked;
    const context = { hand, instrument, ...(limits ? { limits } : {}) };
    const drill = makeDrill(asked.recipe, context);
    if (!drill.ok) throw new Refusal(drill.problem.code, drill.problem.at, drill.problem.detail);
    // Large, and seldom asked for: the start of the server does not wait for it.
    const staffed = asked.staff || readsStaff(drill.value);
    const engraver = staffed ? (await import('@finch/core/engraving')).staffLines : null;
    const content = onPaper(drill.value, { asks, names, signs: trueSigns }, context, engraver);
    return drawDrillSheet(content, { ...asked, signs: trueSigns });
  }
  return asked.layout === 'page'
    ? drawPages(asked.cards, options)
    : asked.cards.map((card) => drawSingle(card, options));
}

export function makePaper(root: string, clock: Clock): Paper {
  const fonts = paperFonts(root);
  return {
    print: async (asked) => {
      const pdf = await pdfOf(await pagesOf(asked), asked.title, fonts, new Date(clock.now()));
      return { pdf: pdf.toString('base64') };
    },
  };
}
