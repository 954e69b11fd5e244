/**
 * What is heard in the room: the microphone of this computer, or a stand-in that plays somebody who tunes. Both are read the
 * same way; nothing that is heard is kept or sent.
 */
import type { Instrument } from '@finch/core/fretboard';
import {
  makeCounter,
  makeDrillPlayer,
  makeStringsPlayer,
  type PlayedDrill,
  type StringsPlayer,
} from '@finch/core/simulation';
import { TUNER_SAMPLES } from '@finch/core/sound';

export interface Listening {
  readonly sampleRate: number;
  /** The latest samples, as many as fit. */
  readonly read: (into: Float32Array<ArrayBuffer>) => void;
  readonly close: () => void;
}

export interface Microphone {
  /** Rejects with a code: `mic.refused`, `mic.none`, `mic.busy`. */
  readonly open: () => Promise<Listening>;
}

export class MicrophoneRefusal extends Error {
  readonly code: 'mic.refused' | 'mic.none' | 'mic.busy';

  constructor(code: MicrophoneRefusal['code']) {
    super(code);
    this.code = code;
  }
}

const REFUSALS: Readonly<Record<string, MicrophoneRefusal['code']>> = {
  NotAllowedError: 'mic.refused',
  SecurityError: 'mic.refused',
  NotFoundError: 'mic.none',
  OverconstrainedError: 'mic.none',
  NotReadableError: 'mic.busy',
  AbortError: 'mic.busy',
};

/** The microphone as it is: nothing is smoothed, since smoothing moves pitches. */
export const ownMicrophone: Microphone = {
  open: async () => {
    const devices = (navigator as Partial<Navigator>).mediaDevices;
    if (!devices) throw new MicrophoneRefusal('mic.none');
    const stream = await devices
      .getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
      .catch((error: unknown) => {
        throw new MicrophoneRefusal(REFUSALS[(error as DOMException).name] ?? 'mic.busy');
      });
    const context = new AudioContext();
    await context.resume();
    const analyser = context.createAnalyser();
    analyser.fftSize = TUNER_SAMPLES;
    context.createMediaStreamSource(stream).connect(analyser);
    return {
      sampleRate: context.sampleRate,
      read: (into) => analyser.getFloatTimeDomainData(into),
      close: () => {
        for (const track of stream.getTracks()) track.stop();
        void context.close();
      },
    };
  },
};

const SIMULATED_RATE = 48_000;
const OFF_CENTS = [-22, 14, 6, 31, -9, 18];

/** Stands in for a microphone: what a simulated room sounds like at each instant. `now` in ms, for tests. */
const simulated = (
  makeRoom: (sampleRate: number) => Pick<StringsPlayer, 'samplesAt'>,
  now: () => number,
): Microphone => ({
  open: () => {
    const room = makeRoom(SIMULATED_RATE);
    const began = now();
    return Promise.resolve({
      sampleRate: SIMULATED_RATE,
      read: (into) => {
        // The latest samples: they end now.
        const ends = (now() - began) / 1000;
        room.samplesAt(Math.max(0, ends - into.length / SIMULATED_RATE), into);
      },
      close: () => undefined,
    });
  },
});

/** Somebody who tunes. */
export const simulatedMicrophone = (
  instrument: Instrument,
  now: () => number = () => performance.now(),
): Microphone => simulated((sampleRate) => makeStringsPlayer(instrument, OFF_CENTS, sampleRate), now);

/** Somebody who counts four aloud. */
export const simulatedVoice = (now: () => number = () => performance.now()): Microphone =>
  simulated(makeCounter, now);

/** Somebody who plays a drill with its slips. `into` in ms from the start of its count-in. */
export const simulatedDrill = (played: PlayedDrill, instrument: Instrument, into: () => number): Microphone =>
  simulated((sampleRate) => makeDrillPlayer(played, instrument, sampleRate), into);
