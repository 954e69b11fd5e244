/** The workers of the page, each started when first needed: one answers the hand, the other works for a whole group. */
import * as Comlink from 'comlink';
import BenchWorker from './bench.worker?worker';
import type { BenchWork } from './bench-jobs';

const started = () => Comlink.wrap<BenchWork>(new BenchWorker());
let bench: Comlink.Remote<BenchWork> | null = null;
let group: Comlink.Remote<BenchWork> | null = null;

export const benchWork = (): Comlink.Remote<BenchWork> => (bench ??= started());

/** For what takes long and nobody waits for with a hand on the strings: the parts of a group. */
export const groupWork = (): Comlink.Remote<BenchWork> => (group ??= started());

export { plain } from '../session/plain';
