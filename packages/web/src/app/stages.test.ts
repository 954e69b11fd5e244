import { effectScope } from 'vue';
import { useStages } from './stages';

/** Frames that come when the test says so. */
let frames: FrameRequestCallback[] = [];
beforeEach(() => {
  jest.useFakeTimers();
  frames = [];
  globalThis.requestAnimationFrame = (work) => frames.push(work);
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'requestAnimationFrame');
});
function frame() {
  const now = frames;
  frames = [];
  for (const work of now) work(0);
  jest.runAllTimers();
}

test('one stage a painted frame, and none after the last', () => {
  const scope = effectScope();
  const stage = scope.run(() => useStages(2));
  const seen = [stage?.value];
  for (let i = 0; i < 4; i++) {
    frame();
    seen.push(stage?.value);
  }
  expect(seen).toEqual([0, 1, 2, 2, 2]);
  expect(frames).toEqual([]);
});

test('a place that was left is built no further', () => {
  const scope = effectScope();
  const stage = scope.run(() => useStages(3));
  frame();
  scope.stop();
  frame();
  expect(stage?.value).toBe(1);
});
