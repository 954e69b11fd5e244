/** Shape cards, charts, keys, scales and drills as pages, and those as one PDF: takes a third of a second, on a thread of its own. */
import {
  drawChart,
  drawDrillSheet,
  drawKeySheet,
  drawPages,
  drawScaleSheet,
  drawSingle,
  drawWeekSheet,
  type WeekSheetDrill,
  type PaperPage,
} from '@finch/core/paper';
import type { PaperBody } from '@finch/contract';
import { ok, type Result } from '@finch/core';
import { makeDrill, needsNoNeck, onPaper, readsStaff, type Drill } from '@finch/core/drills';
import { readChart } from '@finch/core/score';
import { trueSigns } from '@finch/core/shapes';
import { paperFonts, pdfOf } from './pdf';

/** A PDF in base 64. @param root folder of the project, where the fonts lie. Problems as `makeDrill`. */
export async function printed(root: string, asked: PaperBody, at: Date): Promise<Result<string>> {
  const pages = await pagesOf(asked);
  if (!pages.ok) return pages;
  return ok((await pdfOf(pages.value, asked.title, paperFonts(root), at)).toString('base64'));
}

async function pagesOf(asked: PaperBody): Promise<Result<PaperPage[]>> {
  const options = { ...asked, signs: trueSigns };
  if (asked.layout === 'chart')
    return ok(drawChart(readChart(asked.chart).piece, { ...asked, signs: trueSigns }));
  if (asked.layout === 'keys') return ok(drawKeySheet(asked.keys, { ...asked, signs: trueSigns }));
  if (asked.layout === 'necks')
    return ok(drawScaleSheet(asked.necks, asked.instrument, { ...asked, signs: trueSigns }));
  if (asked.layout === 'drill') {
    const { hand, instrument, limits, asks, names } = asked;
    const context = { hand, instrument, ...(limits ? { limits } : {}) };
    const drill = makeDrill(asked.recipe, context);
    if (!drill.ok) return drill;
    // Large, and seldom asked for: the start of the server does not wait for it.
    const staffed = asked.staff || readsStaff(drill.value);
    const engraver = staffed ? (await import('@finch/core/engraving')).staffLines : null;
    const content = onPaper(drill.value, { asks, names, signs: trueSigns }, context, engraver);
    return ok(drawDrillSheet(content, { ...asked, signs: trueSigns }));
  }
  if (asked.layout === 'week') return weekPage(asked);
  return ok(
    asked.layout === 'page'
      ? drawPages(asked.cards, options)
      : asked.cards.map((card) => drawSingle(card, options)),
  );
}

async function weekPage(asked: PaperBody & { layout: 'week' }): Promise<Result<PaperPage[]>> {
  const { hand, instrument, limits, names } = asked;
  const context = { hand, instrument, ...(limits ? { limits } : {}) };
  const drills: WeekSheetDrill[] = [];
  for (const { recipe, asks, ...rest } of asked.drills) {
    const drill = makeDrill(recipe, context);
    if (!drill.ok) return drill;
    drills.push({
      ...rest,
      content: onPaper(
        drill.value,
        { asks, names, signs: trueSigns },
        context,
        await engraverFor(drill.value),
      ),
    });
  }
  return ok([drawWeekSheet({ ...asked, drills, signs: trueSigns })]);
}

/** Puts what is read from a staff on one; null for a drill that is played from tab. */
const engraverFor = async (drill: Drill) =>
  readsStaff(drill) || needsNoNeck(drill) ? (await import('@finch/core/engraving')).staffLines : null;
