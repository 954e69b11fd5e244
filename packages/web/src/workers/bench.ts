/** The one worker of the page, started when first needed. */
import * as Comlink from 'comlink';
import BenchWorker from './bench.worker?worker';
import type { BenchWork } from './bench-jobs';

let remote: Comlink.Remote<BenchWork> | null = null;

export function benchWork(): Comlink.Remote<BenchWork> {
  return (remote ??= Comlink.wrap<BenchWork>(new BenchWorker()));
}

export { plain } from '../session/plain';
