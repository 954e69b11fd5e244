/** Shape cards on paper. Nothing is read or stored: whoever asks says what stands on the cards. */
import type { routes } from '@finch/contract';
import { drawPages, drawSingle, trueSigns } from '@finch/core/shapes';
import type { InferOutput } from 'valibot';
import type { Clock } from '../platform/clock';
import { paperFonts, pdfOf } from './pdf';

export interface Paper {
  readonly cards: (asked: InferOutput<typeof routes.paper.body>) => Promise<{ pdf: string }>;
}

export function makePaper(root: string, clock: Clock): Paper {
  const fonts = paperFonts(root);
  return {
    cards: async ({ layout, cards, ...look }) => {
      const options = { ...look, signs: trueSigns };
      const pages =
        layout === 'page' ? drawPages(cards, options) : cards.map((card) => drawSingle(card, options));
      const pdf = await pdfOf(pages, look.title, fonts, new Date(clock.now()));
      return { pdf: pdf.toString('base64') };
    },
  };
}
