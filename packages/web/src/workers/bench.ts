/** The one worker of the page, started when first needed. */
import * as Comlink from 'comlink';
import BenchWorker from './bench.worker?worker';
import type { BenchWork } from './bench.worker';

let remote: Comlink.Remote<BenchWork> | null = null;

export function benchWork(): Comlink.Remote<BenchWork> {
  return (remote ??= Comlink.wrap<BenchWork>(new BenchWorker()));
}

/** A copy that can cross to the worker: what a screen holds is wrapped by its framework. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
