/** The jobs off the main thread; samples are handed over, not copied. */
import * as Comlink from 'comlink';
import { benchJobs, type BenchWork } from './bench-jobs';

const work: BenchWork = {
  ...benchJobs,
  pluck: (...given) => {
    const samples = benchJobs.pluck(...given);
    return Comlink.transfer(samples, [samples.buffer]);
  },
};
Comlink.expose(work);
