/** What Progress says of a surprise, a stuck skill, a tense hand and of how well predictions held. */
import type { HeldBody, ProgressBody } from '@finch/contract';
import { plural, whole } from '../../words';

type Surprise = ProgressBody['surprises'][number];

/** "7 of 9 clean; ask what was played before, or go on a step." */
export function surpriseText({ takes, clean, said, came }: Surprise): string {
  const what = `${clean} of ${plural(takes, 'take')} clean`;
  return came > said
    ? `${what}: was it played before? The next step may do.`
    : `${what}: look at the hand, the guitar and the tempo.`;
}

/** "Too modest at 5, 16 and 25. Too hopeful at 94." Nothing where every class held. */
export function offText({ classes }: HeldBody): string {
  const at = (way: 'modest' | 'hopeful') => {
    const said = classes.filter(({ off }) => off === way).map((one) => String(whole(one.said)));
    return said.length ? `Too ${way} at ${inRow(said)}.` : '';
  };
  return [at('modest'), at('hopeful')].filter(Boolean).join(' ');
}

const inRow = (all: readonly string[]): string =>
  all.length > 1 ? `${all.slice(0, -1).join(', ')} and ${all[all.length - 1]}` : all.join();

/** "Log loss .512; a running mean .571: less is better." */
export function lossText({ logLoss, runningMean }: HeldBody): string {
  if (logLoss === null || runningMean === null) return '';
  const three = (loss: number) => loss.toFixed(3).replace(/^0/, '');
  return `Log loss ${three(logLoss)}; a running mean ${three(runningMean)}. Less is better.`;
}

/** "tense 6 of 7", "pain, and tense 2 of 3". */
export const tenseText = ({ hard, of, pain }: ProgressBody['tense'][number]): string =>
  `${pain ? 'pain, ' : ''}tense ${hard} of ${of}`;

export function limitText({ effort, limit }: ProgressBody['tense'][number]): string {
  if (effort === null) return 'no grip in it';
  const by = Math.round(effort) - Math.round(limit);
  if (by > 0) return `over the limit of ${Math.round(limit)}`;
  return by === 0 ? `at the limit of ${Math.round(limit)}` : `below the limit of ${Math.round(limit)}`;
}
