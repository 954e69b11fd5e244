// Where things lie. Everything the project makes at run time is under .data, never elsewhere in the checkout.
import { createHash } from 'node:crypto';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const dataDir = join(root, '.data');
/** A short name of this checkout, for folders that cannot lie inside it. */
export const checkoutHash = createHash('sha256').update(root).digest('hex').slice(0, 10);
