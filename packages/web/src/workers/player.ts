/**
 * Plays a schedule of clicks and plucks against the audio clock: every sound is started at its own absolute
 * time, nothing is counted by timers. The level opens gently, so that nobody is startled.
 */
import { pitchToHz, type Sound } from '@finch/core/sound';
import { onScopeDispose, readonly, ref } from 'vue';
import { benchWork } from './bench';

const PLUCK_SECONDS = 2.2;
const LEAD_SECONDS = 0.12;
const LEVEL = 0.5;

let context: AudioContext | null = null;
const buffers = new Map<string, Promise<AudioBuffer>>();

function audio(): AudioContext {
  context ??= new AudioContext();
  return context;
}

function bufferOf(sound: Sound): Promise<AudioBuffer> {
  const to = audio();
  const key = sound.kind === 'click' ? `click ${sound.accent}` : `pluck ${sound.midiPitch}`;
  let made = buffers.get(key);
  if (!made) {
    const samples =
      sound.kind === 'click'
        ? benchWork().click(to.sampleRate, sound.accent)
        : benchWork().pluck(pitchToHz(sound.midiPitch), PLUCK_SECONDS, to.sampleRate, 0.55);
    made = samples.then((data) => {
      const buffer = to.createBuffer(1, data.length, to.sampleRate);
      buffer.copyToChannel(Float32Array.from(data), 0);
      return buffer;
    });
    buffers.set(key, made);
  }
  return made;
}

export interface PlayOptions {
  /** Leaves the plucks out: a metronome. */
  readonly clickOnly?: boolean;
}

/** A player for one view; stops when the view goes. `beat` is the beat of the bar now sounding, null when silent. */
export function usePlayer() {
  const playing = ref(false);
  const beat = ref<number | null>(null);
  /** Beats since the start, count-in included. */
  const elapsed = ref(0);
  let gain: GainNode | null = null;
  let frame = 0;

  const stop = () => {
    cancelAnimationFrame(frame);
    gain?.disconnect();
    gain = null;
    playing.value = false;
    beat.value = null;
  };
  const play = async (sounds: readonly Sound[], options: PlayOptions = {}) => {
    stop();
    const to = audio();
    await to.resume();
    const wanted = options.clickOnly ? sounds.filter((sound) => sound.kind === 'click') : sounds;
    const ready = await Promise.all(wanted.map(bufferOf));
    const out = to.createGain();
    out.gain.setValueAtTime(0, to.currentTime);
    out.gain.linearRampToValueAtTime(LEVEL, to.currentTime + LEAD_SECONDS);
    out.connect(to.destination);
    gain = out;
    const start = to.currentTime + LEAD_SECONDS;
    wanted.forEach((sound, i) => {
      const source = to.createBufferSource();
      source.buffer = ready[i];
      source.connect(out);
      source.start(start + sound.atSeconds);
      if (sound.kind === 'pluck')
        source.stop(start + sound.atSeconds + Math.min(PLUCK_SECONDS, sound.seconds + 1.2));
    });
    const clicks = wanted.filter((sound) => sound.kind === 'click');
    const last = wanted.reduce(
      (end, sound) => Math.max(end, sound.atSeconds + (sound.kind === 'pluck' ? sound.seconds : 0.3)),
      0,
    );
    playing.value = true;
    const show = () => {
      const at = to.currentTime - start;
      const now = clicks.findLastIndex((click) => click.atSeconds <= at);
      beat.value = now < 0 ? null : clicks[now].beat;
      elapsed.value = Math.max(0, now);
      if (at > last) stop();
      else frame = requestAnimationFrame(show);
    };
    frame = requestAnimationFrame(show);
  };
  onScopeDispose(stop);
  return { play, stop, playing: readonly(playing), beat: readonly(beat), elapsed: readonly(elapsed) };
}
