/** The state of a skill in words. */
import type { SkillStateBody } from '@finch/contract';

/** Below this many takes an estimate is a guess (as the state rules have it). */
export const SURE_FROM = 5;

/** The state, unless it rests on too little to be called anything. */
export const stateWord = (skill: Pick<SkillStateBody, 'state' | 'attempts'>): string =>
  skill.state === 'rough' && skill.attempts < SURE_FROM ? 'not sure yet' : skill.state;
