/** Shape cards, charts, keys and scales on paper. Nothing is read or stored: whoever asks says what stands on the pages. */
import type { PaperBody } from '@finch/contract';
import type { Clock } from '../platform/clock';
import { refuse } from '../platform/problems';
import type { Work } from '../work/work';

export interface Paper {
  readonly print: (asked: PaperBody) => Promise<{ pdf: string }>;
}

export function makePaper(work: Work, clock: Clock): Paper {
  return {
    print: async (asked) => {
      const pdf = await work.run('print', asked, clock.now());
      return pdf.ok ? { pdf: pdf.value } : refuse(pdf.problem);
    },
  };
}
