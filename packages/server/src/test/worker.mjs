// A thread of a server in tests: TypeScript is read from here on, in what is loaded later too.
import { register } from 'tsx/esm/api';

register();
const { default: run } = await import('../work/worker.ts');
export default run;
