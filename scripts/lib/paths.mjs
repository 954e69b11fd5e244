// Where things lie. Everything the project makes at run time is under .data, never elsewhere in the checkout.
import { createHash } from 'node:crypto';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const dataDir = join(root, '.data');
/** A short name of this checkout, for folders that cannot lie inside it. */
export const checkoutHash = createHash('sha256').update(root).digest('hex').slice(0, 10);

/** A private folder under .data, made when missing. */
export function dataFolder(...parts) {
  const folder = join(dataDir, ...parts);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
