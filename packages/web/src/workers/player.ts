/**
 * Plays a schedule of clicks and plucks against the audio clock: every sound is started at its own absolute
 * time, nothing is counted by timers. The level opens gently, so that nobody is startled.
 */
import { standardGuitar, type Instrument } from '@finch/core/fretboard';
import type { PluckSound, Sound } from '@finch/core/sound';
import { onScopeDispose, readonly, ref } from 'vue';
import { benchWork } from './bench';

const PLUCK_SECONDS = 2.2;
const STOPPED_SECONDS = 0.25;
const LEAD_SECONDS = 0.12;
const LEVEL = 0.5;

let context: AudioContext | null = null;
const buffers = new Map<string, Promise<AudioBuffer>>();

function audio(): AudioContext {
  context ??= new AudioContext();
  return context;
}

/** Buffers are kept by what makes them sound as they do: string, fret, pitch and touch. */
function bufferOf(sound: Sound, strings: number, scaleLengthMm: number): Promise<AudioBuffer> {
  const to = audio();
  const key = sound.kind === 'click' ? `click ${sound.accent}` : pluckKey(sound, strings, scaleLengthMm);
  let made = buffers.get(key);
  if (!made) {
    const samples =
      sound.kind === 'click'
        ? benchWork().click(to.sampleRate, sound.accent)
        : benchWork().pluck(
            {
              midiPitch: sound.midiPitch,
              lowness: 1 - sound.stringIndex / Math.max(1, strings - 1),
              fret: sound.fret,
              scaleLengthMm,
              touch: sound.touch,
            },
            sound.touch === 'ring' ? PLUCK_SECONDS : STOPPED_SECONDS,
            to.sampleRate,
          );
    made = samples.then((data) => {
      const buffer = to.createBuffer(1, data.length, to.sampleRate);
      buffer.copyToChannel(Float32Array.from(data), 0);
      return buffer;
    });
    buffers.set(key, made);
  }
  return made;
}
const pluckKey = (sound: PluckSound, strings: number, scaleLengthMm: number) =>
  `${sound.midiPitch} ${sound.stringIndex}/${strings} ${sound.fret} ${scaleLengthMm} ${sound.touch}`;

export interface PlayOptions {
  /** Leaves the plucks out: a metronome. */
  readonly clickOnly?: boolean;
  /** Leaves the clicks out but for the count-in. */
  readonly noClick?: boolean;
  /** Whose strings are heard. */
  readonly instrument?: Instrument;
  /** Begins again where it ends, from this many seconds on (after the count-in). */
  readonly loopFrom?: number;
  /** Begins this many seconds in, as when the tempo changes while it plays. */
  readonly from?: number;
  /** Ends after this many seconds; left out, after the last sound. */
  readonly seconds?: number;
}

/** Sounds are handed to the audio clock this long before they are due, so that a busy page never comes late. */
const AHEAD_SECONDS = 6;
const REFILL_MS = 1000;
/** How a string dies when the next stroke takes it, and how long that is given. */
const RELEASE_SECONDS = 0.06;
const TAIL_SECONDS = 0.4;

/** A player for one view; stops when the view goes. `beat` is the beat of the bar now sounding, null when silent. */
export function usePlayer() {
  const playing = ref(false);
  const beat = ref<number | null>(null);
  /** Beats since the start, count-in included. */
  const elapsed = ref(0);
  /** Seconds into the schedule, within the loop where it goes round; null when silent. */
  const at = ref<number | null>(null);
  let gain: GainNode | null = null;
  let frame = 0;
  let refill: ReturnType<typeof setInterval> | undefined;
  let turn = 0;

  const stop = () => {
    turn++;
    cancelAnimationFrame(frame);
    clearInterval(refill);
    gain?.disconnect();
    gain = null;
    playing.value = false;
    beat.value = null;
    at.value = null;
  };
  const play = async (sounds: readonly Sound[], options: PlayOptions = {}) => {
    stop();
    const mine = turn;
    const to = audio();
    await to.resume();
    const { openPitches, scaleLengthMm } = options.instrument ?? standardGuitar;
    const wanted = sounds.filter((sound) =>
      sound.kind === 'click' ? !options.noClick || sound.beat < 0 : !options.clickOnly,
    );
    const ready = await Promise.all(
      wanted.map((sound) => bufferOf(sound, openPitches.length, scaleLengthMm)),
    );
    // Stopped, or another play began, while the strings were made.
    if (mine !== turn) return;
    const out = to.createGain();
    out.gain.setValueAtTime(0, to.currentTime);
    out.gain.linearRampToValueAtTime(LEVEL, to.currentTime + LEAD_SECONDS);
    out.connect(limited(to));
    gain = out;
    const from = options.from ?? 0;
    const start = to.currentTime + LEAD_SECONDS - from;
    const last = wanted.reduce(
      (end, sound) => Math.max(end, sound.atSeconds + (sound.kind === 'pluck' ? sound.seconds : 0.3)),
      0,
    );
    const end = options.seconds ?? last;
    const { loopFrom } = options;
    const loops = loopFrom !== undefined && end - loopFrom > 0.1;
    const clicks = sounds.filter((sound) => sound.kind === 'click');
    const loopStart = loops ? wanted.findIndex((sound) => sound.atSeconds >= loopFrom - 1e-6) : -1;
    const first = wanted.findIndex((sound) => sound.atSeconds >= from - 1e-6);
    let next = first < 0 ? wanted.length : first;
    let rounds = 0;
    const startSound = (sound: Sound, buffer: AudioBuffer, when: number) => {
      const source = to.createBufferSource();
      source.buffer = buffer;
      if (sound.kind === 'click') {
        source.connect(out);
        source.start(when);
        return;
      }
      const own = to.createGain();
      own.gain.setValueAtTime(sound.level, when);
      own.gain.setTargetAtTime(0, when + sound.seconds, RELEASE_SECONDS);
      source.connect(own).connect(out);
      source.start(when);
      source.stop(when + sound.seconds + TAIL_SECONDS);
    };
    const fill = () => {
      const until = to.currentTime - start + AHEAD_SECONDS;
      for (;;) {
        if (next >= wanted.length) {
          if (!loops || loopStart < 0) return;
          next = loopStart;
          rounds++;
        }
        const when = wanted[next].atSeconds + (loops ? rounds * (end - loopFrom) : 0);
        if (when > until) return;
        startSound(wanted[next], ready[next], start + when);
        next++;
      }
    };
    fill();
    refill = setInterval(fill, REFILL_MS);
    playing.value = true;
    const show = () => {
      const since = to.currentTime - start;
      const place =
        loops && since > end ? loopFrom + ((since - loopFrom) % (end - loopFrom)) : Math.max(0, since);
      at.value = place;
      const now = clicks.findLastIndex((click) => click.atSeconds <= place);
      beat.value = now < 0 ? null : clicks[now].beat;
      elapsed.value = Math.max(0, now);
      if (!loops && since > end) stop();
      else frame = requestAnimationFrame(show);
    };
    frame = requestAnimationFrame(show);
  };
  onScopeDispose(stop);
  return {
    play,
    stop,
    playing: readonly(playing),
    beat: readonly(beat),
    elapsed: readonly(elapsed),
    at: readonly(at),
  };
}

let limiter: DynamicsCompressorNode | null = null;

/** Six strings and a melody at once never go over full scale. */
function limited(to: AudioContext): AudioNode {
  if (!limiter) {
    limiter = to.createDynamicsCompressor();
    limiter.threshold.value = -8;
    limiter.ratio.value = 12;
    limiter.connect(to.destination);
  }
  return limiter;
}
