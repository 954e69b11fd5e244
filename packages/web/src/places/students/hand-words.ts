/** What the takes say of a hand's limit, with the answers that say it. */
import type { StudentBody } from '@finch/contract';
import { plural } from '../../words';

export function limitText(said: StudentBody['limitSaid']): string {
  if (!said) return 'How the hand felt is not known well enough yet to say more: a dozen answers are needed.';
  const { limit, upTo, easy, above, hard } = said;
  if (above === 0)
    return hardOf(said) === 0
      ? `Two weeks say: ${plural(upTo, 'take')} up to ${limit}, all easy; more was not tried.`
      : `Two weeks say: up to ${limit} ${easy} of ${plural(upTo, 'take')} were easy; more was not tried.`;
  return `Two weeks say ${limit}: up to it ${easy} of ${plural(upTo, 'take')} were easy, above it ${hard} of ${above} were not.`;
}

const hardOf = ({ upTo, easy }: NonNullable<StudentBody['limitSaid']>): number => upTo - easy;
