/**
 * A drill in time is listened to: it is counted in, then it is silent and somebody strikes or taps; what is heard is held against
 * what is written, bar by bar. Nothing that is heard is kept or sent.
 */
import { timeHeard, type TimeHeard } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import type { Score } from '@finch/core/score';
import { LEVEL_SECONDS, makeOnsetListener, sharpLevelsOf } from '@finch/core/sound';
import { onScopeDispose, readonly, ref, type Ref } from 'vue';
import { freshSamples, type FreshSamples } from '../../workers/fresh-samples';
import { MicrophoneRefusal, type Listening, type Microphone } from '../../workers/microphone';

const EVERY_MS = 40;

/** The drill as it runs without sound. */
interface SilentRun {
  readonly score: Score;
  readonly instrument: Instrument;
  readonly bpm: number;
}
export interface Running {
  /** Counts it in and goes on silently; resolves when the count-in begins. */
  readonly start: () => Promise<SilentRun | null>;
  readonly stop: () => void;
  /** Seconds from the start of the count-in; null once it is over. */
  readonly at: () => number | null;
}

export interface InTime {
  readonly going: Readonly<Ref<'listening' | 'tapping' | null>>;
  readonly trouble: Readonly<Ref<MicrophoneRefusal['code'] | 'mic.nothing' | null>>;
  readonly heard: Readonly<Ref<TimeHeard | null>>;
  readonly listen: (microphone: Microphone) => Promise<void>;
  /** Without a microphone: each tap is told by `tap`. */
  readonly tapAlong: () => Promise<void>;
  readonly tap: () => void;
  readonly stop: () => void;
  /** What was heard is put away, as for another card. */
  readonly forget: () => void;
}

/** @param judged what came of it @param now ms, for tests */
export function useInTime(
  running: Running,
  judged: (heard: TimeHeard) => void,
  now: () => number = () => performance.now(),
): InTime {
  const going = ref<'listening' | 'tapping' | null>(null);
  const trouble = ref<MicrophoneRefusal['code'] | 'mic.nothing' | null>(null);
  const heard = ref<TimeHeard | null>(null);
  let strokes: number[] = [];
  let open: Listening | null = null;
  let timer: ReturnType<typeof setInterval> | undefined;
  let turn = 0;

  const close = () => {
    turn++;
    clearInterval(timer);
    open?.close();
    open = null;
    going.value = null;
  };
  const stop = () => {
    if (going.value) running.stop();
    close();
  };
  const over = (run: SilentRun) => {
    close();
    const came = timeHeard(run.score, run.instrument, run.bpm, strokes);
    heard.value = came;
    if (came) judged(came);
    else trouble.value = 'mic.nothing';
  };
  async function go(how: 'listening' | 'tapping', microphone: Microphone | null) {
    stop();
    const mine = turn;
    [trouble.value, heard.value, strokes] = [null, null, []];
    let fresh: FreshSamples | null = null;
    try {
      const opened = (await microphone?.open()) ?? null;
      // Stopped while somebody was asked whether it may be heard.
      if (mine !== turn) return opened?.close();
      open = opened;
    } catch (error) {
      trouble.value = error instanceof MicrophoneRefusal ? error.code : 'mic.busy';
      return;
    }
    going.value = how;
    const run = await running.start();
    if (mine !== turn) return;
    if (!run) return close();
    if (open) fresh = freshSamples(open, now);
    const listener = makeOnsetListener();
    timer = setInterval(() => {
      const at = running.at();
      if (at === null) return over(run);
      if (!open || !fresh) return;
      const levels = sharpLevelsOf(fresh.read(), open.sampleRate);
      levels.forEach((level, i) => {
        if (listener.hear(level)) strokes.push(at - LEVEL_SECONDS * (levels.length - i));
      });
    }, EVERY_MS);
  }
  onScopeDispose(stop);
  return {
    going: readonly(going),
    trouble: readonly(trouble),
    heard: heard as Readonly<Ref<TimeHeard | null>>,
    stop,
    forget: () => {
      stop();
      [heard.value, trouble.value] = [null, null];
    },
    listen: (microphone) => go('listening', microphone),
    tapAlong: () => go('tapping', null),
    tap: () => {
      const at = running.at();
      if (going.value === 'tapping' && at !== null) strokes.push(at);
    },
  };
}
