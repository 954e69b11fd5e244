/**
 * Whether playback keeps time: two minutes at 120, the clicks recorded by an audio worklet on the live context of the
 * real application, while the page's main thread is blocked for 300 ms every five seconds. What is said is how far any
 * click lies from where its number puts it. Runs with `npm run bench -- --playback`, in real time.
 */
import { chromium } from '@playwright/test';
import { CHROMIUM, makeWorld } from '../scripts/lib/test-world.mjs';

const BPM = 120;
const SECONDS = 120;
const BARS = (SECONDS * BPM) / 60 / 4;

/** Posts the frame in which each click begins: louder than the threshold after a twentieth of a second of quiet. */
const RECORDER = `registerProcessor('recorder', class extends AudioWorkletProcessor {
  constructor() { super(); this.quiet = sampleRate; }
  process(inputs) {
    const samples = inputs[0][0];
    if (!samples) return true;
    for (let i = 0; i < samples.length; i++) {
      if (Math.abs(samples[i]) > 0.004) {
        if (this.quiet > sampleRate / 10) this.port.postMessage((currentFrame + i) / sampleRate);
        this.quiet = 0;
      } else this.quiet++;
    }
    return true;
  }
});`;

/** Runs in the page before anything else: whatever is connected to the speakers is heard by the recorder too. */
const LISTEN = `
  window.heard = [];
  const connect = AudioNode.prototype.connect;
  AudioNode.prototype.connect = function (to, ...rest) {
    const made = connect.call(this, to, ...rest);
    if (to instanceof AudioDestinationNode && !window.recording) {
      window.recording = this.context.audioWorklet.addModule(URL.createObjectURL(new Blob([${JSON.stringify(RECORDER)}], { type: 'text/javascript' }))).then(() => {
        const node = new AudioWorkletNode(this.context, 'recorder');
        node.port.onmessage = ({ data }) => window.heard.push(data);
        connect.call(this, node);
      });
    }
    return made;
  };`;

const CHART = `title: Clicks\ntempo: ${BPM}\n[A]\n${'| N.C. | N.C. | N.C. | N.C. |\n'.repeat(BARS / 4)}`;
const PIECE_ID = '019e0000-0000-7000-8000-000000000001';
const KEEP = `fetch('/api/pieces/${PIECE_ID}', { method: 'PUT', headers: { 'Content-Type': 'application/json' }, body: ${JSON.stringify(
  JSON.stringify({ version: 0, chart: CHART, concert: null, locks: {}, parts: {} }),
)} }).then((answer) => answer.status)`;

export async function playbackRows(): Promise<{ what: string; median: string; aim: string }[]> {
  const world = await makeWorld({ name: 'bench-cluster' });
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      // The recorder is a script of this program, which the application's own policy would not run.
      bypassCSP: true,
    });
    await page.addInitScript(LISTEN);
    await page.goto(world.url);
    await page.locator('.seats li', { hasText: 'Tamsin Brackwater' }).getByRole('button').click();
    await page.waitForURL((url) => !url.pathname.startsWith('/sit'));
    const kept = await page.evaluate<number>(KEEP);
    if (kept !== 200) throw new Error(`the piece of clicks was not kept: ${kept}`);
    await page.goto(`${world.url}/pieces/${PIECE_ID}`);
    await page.getByRole('button', { name: 'Hear it' }).click();
    await page.evaluate(`window.blocked = setInterval(() => {
      const until = performance.now() + 300;
      while (performance.now() < until);
    }, 5000)`);
    await page.waitForTimeout((SECONDS + 6) * 1000);
    const heard = await page.evaluate<number[]>('window.heard');
    const beat = 60 / BPM;
    const [first] = heard;
    // Each click is compared with the beat it is nearest to; a missing one shows as fewer clicks.
    const off = heard.map((at) => {
      const beats = (at - first) / beat;
      return Math.abs(beats - Math.round(beats)) * beat * 1000;
    });
    return [
      {
        what: `clicks heard over ${SECONDS} s at ${BPM}, main thread blocked 300 ms every 5 s`,
        median: `${heard.length} of ${BARS * 4 + 4}`,
        aim: 'all',
      },
      {
        what: '  furthest any click lies from its place on the audio clock',
        median: `${Math.max(...off).toFixed(3)} ms`,
        aim: '2 ms',
      },
    ];
  } finally {
    await browser.close();
    await world.end();
  }
}
