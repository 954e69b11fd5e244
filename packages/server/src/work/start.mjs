// The first file of a thread: TypeScript is read from here on, in what is loaded later too.
import { register } from 'tsx/esm/api';

register();
const { default: run } = await import('./worker.ts');
export default run;
