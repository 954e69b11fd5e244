/** Shape cards, charts, keys and scales on paper. Nothing is read or stored: whoever asks says what stands on the pages. */
import {
  drawChart,
  drawKeySheet,
  drawPages,
  drawScaleSheet,
  drawSingle,
  type PaperPage,
} from '@finch/core/paper';
import type { PaperBody } from '@finch/contract';
import { readChart } from '@finch/core/score';
import { trueSigns } from '@finch/core/shapes';
import type { Clock } from '../platform/clock';
import { paperFonts, pdfOf } from './pdf';

export interface Paper {
  readonly print: (asked: PaperBody) => Promise<{ pdf: string }>;
}

function pagesOf(asked: PaperBody): PaperPage[] {
  const options = { ...asked, signs: trueSigns };
  if (asked.layout === 'chart')
    return drawChart(readChart(asked.chart).piece, { ...asked, signs: trueSigns });
  if (asked.layout === 'keys') return drawKeySheet(asked.keys, { ...asked, signs: trueSigns });
  if (asked.layout === 'necks')
    return drawScaleSheet(asked.necks, asked.instrument, { ...asked, signs: trueSigns });
  return asked.layout === 'page'
    ? drawPages(asked.cards, options)
    : asked.cards.map((card) => drawSingle(card, options));
}

export function makePaper(root: string, clock: Clock): Paper {
  const fonts = paperFonts(root);
  return {
    print: async (asked) => {
      const pdf = await pdfOf(pagesOf(asked), asked.title, fonts, new Date(clock.now()));
      return { pdf: pdf.toString('base64') };
    },
  };
}
