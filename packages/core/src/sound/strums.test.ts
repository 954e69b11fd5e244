import { standardGuitar } from '../fretboard';
import { droneSounds, lineSounds, strumSounds } from '.';

test('grips one after another, thickest string first; silence keeps its time', () => {
  const sounds = strumSounds(
    [[null, 3, 2, 0, 1, 0], null, [3, null, null, null, null, 3]],
    standardGuitar,
    1,
  );
  expect(sounds.map((one) => one.midiPitch)).toEqual([48, 52, 55, 60, 64, 43, 67]);
  expect(sounds.map((one) => Math.floor(one.atSeconds))).toEqual([0, 0, 0, 0, 0, 2, 2]);
  expect(sounds[1].atSeconds).toBeGreaterThan(sounds[0].atSeconds);
});

test('a line at its rate, and a drone on the thickest string that has it', () => {
  expect(lineSounds([{ stringIndex: 5, fret: 0 }, { stringIndex: 5, fret: 3 }], standardGuitar, 4).map((one) => [one.atSeconds, one.midiPitch])).toEqual([[0, 64], [0.25, 67]]); // prettier-ignore
  expect(() => lineSounds([], standardGuitar, 0)).toThrow(RangeError);
  const drone = droneSounds(2, standardGuitar, 5);
  expect(drone.map((one) => one.atSeconds)).toEqual([0, 2, 4]);
  expect(drone.every((one) => one.midiPitch % 12 === 2 && one.stringIndex === 0)).toBe(true);
});
