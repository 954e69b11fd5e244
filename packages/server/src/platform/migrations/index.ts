import { Foundations1764000000000 } from './foundations';

/** In order; listed by hand, since a folder scan would depend on how the server is built. */
export const migrations = [Foundations1764000000000];
