/**
 * The chance that one try comes clean, with a band, in one pass over a log sorted by time: several voices of different constants
 * side by side, and a mix that learns which of them suits this log. `docs/models/ability.md`.
 */
import { logistic, logit } from '../kernel/number';
import { makeElo } from './elo';
import { makeMix } from './mix';
import type { PracticeRow } from './row';
import { makeVoice, type PartName, type Said } from './voice';
import { VOICES, type VoiceConstants } from './voices';

export interface Estimate {
  /** Chance of a clean try, strictly between 0 and 1. */
  readonly chance: number;
  /** 80 % band of the true chance; widened to hold the chance where that, a mean, lies outside its middle. */
  readonly low: number;
  readonly high: number;
  /** What makes the number, in logits, most weighty first: parts of the voices by their weights in the mix. */
  readonly parts: readonly { readonly name: PartName; readonly logits: number }[];
}

export interface Estimator {
  /** What a row's tries will be like; its outcome is not looked at. */
  readonly say: (row: PracticeRow) => Estimate;
  /** Takes a row in; rows come in the order they were played. A row without tries changes nothing. */
  readonly learn: (row: PracticeRow) => void;
}

const MIX = { bias: 0, elo: 0, vBias: 0.02, vVoice: 0.15, vElo: 0.05 } as const;
/** Half of the normal's middle 80 %, and how much of a voice's spread the truth has (fitted on simulated worlds). */
const NORMAL_80 = 1.2816;
const BAND = 0.74;

/** An estimator that has seen nothing; other voices, and another share of their spread for the band, are for comparing. */
export function makeEstimator(voices: readonly VoiceConstants[] = VOICES, band = BAND): Estimator {
  const each = voices.map(makeVoice);
  const elo = makeElo();
  const of = <T>(bias: T, voice: T, last: T): T[] => [bias, ...voices.map(() => voice), last];
  const mix = makeMix(of(MIX.bias, 1 / voices.length, MIX.elo), of(MIX.vBias, MIX.vVoice, MIX.vElo));

  const heard = (row: PracticeRow): { readonly said: readonly Said[]; readonly x: readonly number[] } => {
    const said = each.map((voice) => voice.say(row));
    return { said, x: [1, ...said.map(({ z }) => z), elo.say(row)] };
  };
  return {
    say: (row) => {
      const { said, x } = heard(row);
      const chance = mix.say(x);
      const trust = mix
        .weights()
        .slice(1, -1)
        .map((weight) => Math.max(0, weight));
      const all = trust.reduce((sum, one) => sum + one, 0);
      const share = (i: number) => (all > 0 ? trust[i] / all : 1 / trust.length);
      const variance = said.reduce((sum, one, i) => sum + share(i) * one.variance, 0);
      const centre = logit(chance) * Math.sqrt(1 + (Math.PI * variance) / 8);
      const half = band * NORMAL_80 * Math.sqrt(variance);
      const parts = new Map<PartName, number>();
      said.forEach((one, i) => {
        for (const { name, belief, factor } of one.parts)
          parts.set(name, (parts.get(name) ?? 0) + share(i) * factor * belief.mean);
      });
      return {
        chance,
        low: Math.min(chance, logistic(centre - half)),
        high: Math.max(chance, logistic(centre + half)),
        parts: [...parts]
          .map(([name, logits]) => ({ name, logits }))
          .sort((a, b) => Math.abs(b.logits) - Math.abs(a.logits)),
      };
    },
    learn: (row) => {
      if (row.tries === 0) return;
      const { said, x } = heard(row);
      mix.learn(x, row.clean, row.tries);
      each.forEach((voice, i) => voice.learn(row, said[i]));
      elo.learn(row);
    },
  };
}
