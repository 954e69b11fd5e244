/** What a plan is held to, in words: each line is kept or says by how much it is not. */
import type { OneHand } from '@finch/core/drills';
import type { HandLimits } from '@finch/core/hands';
import { staysOpen } from '@finch/core/mastery';
import {
  peakLoad,
  planMinutes,
  type LessonPlan,
  type LiftedRule,
  type PlanBlock,
} from '@finch/core/planning';
import { plural } from '../../words';
import { shortDate } from '../../words/when';

export interface PlanCheck {
  readonly ok: boolean;
  readonly text: string;
}

const one = (n: number) => (Math.round(n * 10) / 10).toString();

/** @param hurts pain was reported and playing has ended or is locked @param alone the hand that may play alone */
export function planChecks(
  blocks: readonly PlanBlock[],
  minutes: number,
  limits: HandLimits,
  hurts = false,
  alone: OneHand | null = null,
): PlanCheck[] {
  const playing = blocks.filter(({ recipe }) => recipe !== null && !staysOpen(recipe, alone));
  const plays = blocks.some((block) => block.effort > 0);
  const total = planMinutes(blocks);
  const easy = blocks[0]?.kind === 'warm up' && blocks[0].minutes >= 3;
  const barre = blocks.reduce((sum, block) => sum + block.barreMinutes, 0);
  const cap = (limits.barreMinutes * minutes) / 30;
  const news = blocks.filter((block) => block.kind === 'new');
  const uses = blocks.some((block) => block.kind === 'apply');
  const peak = peakLoad(blocks);
  const touching = blocks.some(
    (block, i) => i > 0 && block.barreMinutes > 0 && blocks[i - 1].barreMinutes > 0,
  );
  const checks: PlanCheck[] = [];
  if (hurts)
    checks.push({
      ok: playing.length === 0,
      text: playing.length
        ? `A hand hurts: ${plural(playing.length, 'block')} would be played. Nothing is, until you clear it.`
        : alone
          ? `A hand hurts: nothing here is played but by the ${alone} hand.`
          : 'A hand hurts: nothing here is played.',
    });
  checks.push({
    ok: total === minutes,
    text:
      total === minutes
        ? 'Fills the lesson exactly.'
        : total > minutes
          ? `${total - minutes} minutes too long.`
          : `${minutes - total} minutes are free.`,
  });
  if (plays)
    checks.push({
      ok: easy,
      text: easy
        ? 'Opens with three easy minutes.'
        : 'Does not open with three easy minutes; the hand is cold.',
    });
  if (barre > 0 || cap === 0) {
    checks.push({ ok: barre <= cap + 1e-9, text: `Barres pressed ${one(barre)} of ${one(cap)} minutes.` });
    if (touching) checks.push({ ok: false, text: 'Two barre blocks touch; put a rest between.' });
  }
  checks.push({
    ok: peak.load <= limits.load,
    text: `The hand’s load is highest at minute ${peak.minute}: ${one(peak.load)}, its limit ${one(limits.load)}.`,
  });
  if (news.length)
    checks.push({
      ok: uses,
      text: uses
        ? `${news.length === 1 ? 'One new thing' : `${news.length} new things`}, put to use the same day.`
        : 'Something new, but no block of use.',
    });
  return checks;
}

const LIFTED_WORDS: Readonly<Record<LiftedRule, string>> = {
  strands: 'three strands in a long lesson',
  music: 'a share of music',
  reviews: 'reviews for half of it at most',
  'something new': 'something new',
  blocks: 'few blocks',
  promised: 'what was promised',
  'use of the new': 'the new thing put to use',
  mended: 'two things in trouble mended, one of them first',
};

/** What was not played for a month, and whether it comes round today. @param strands names by id */
export const unseenChecks = (
  unseen: LessonPlan['unseen'],
  strands: ReadonlyMap<string, string>,
): PlanCheck[] =>
  (unseen ?? []).map(({ strand, lastAt, there }) => ({
    ok: there,
    text: `${strands.get(strand) ?? strand}: ${lastAt === null ? 'never played' : `last on ${shortDate(lastAt)}`}; ${there ? 'comes round today' : 'not today either'}.`,
  }));

/** How far from the best the search may have stopped; null where nothing worth more fits. @param gap share of worth, 0 to 1 */
export const gapCheck = (gap: number | undefined): PlanCheck | null =>
  gap
    ? {
        ok: true,
        text: `The best that was found; another might be worth ${Math.ceil(100 * gap)} of 100 more at most.`,
      }
    : null;

/** What the planner gave up to fill the lesson at all; null where it kept every rule. */
export const liftedCheck = (lifted: readonly LiftedRule[] | undefined): PlanCheck | null =>
  lifted?.length
    ? {
        ok: false,
        text: `Proposed without ${lifted.map((rule) => LIFTED_WORDS[rule]).join(', ')}: nothing keeps every rule.`,
      }
    : null;
