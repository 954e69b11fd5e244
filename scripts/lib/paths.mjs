// Where things lie. Everything the project makes at run time is under .data, never elsewhere in the checkout.
import { createHash } from 'node:crypto';
import { accessSync, constants, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Stop } from './stages.mjs';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const dataDir = join(root, '.data');
/** A short name of this checkout, for folders that cannot lie inside it. */
export const checkoutHash = createHash('sha256').update(root).digest('hex').slice(0, 10);

const REASONS = {
  EACCES: 'this user may not write there. Give the folder to the user who starts the program',
  EPERM: 'this user may not write there. Give the folder to the user who starts the program',
  EROFS: 'the disk is read-only. Put the project on one that can be written',
  ENOSPC: 'the disk is full. Make room on it',
  ENOTDIR: 'something that is no folder stands in the way. Move it elsewhere',
  EEXIST: 'something that is no folder stands in the way. Move it elsewhere',
};

/** Why nothing can be kept in a folder, and what to do. */
const unwritable = (folder, code) =>
  `${folder} cannot be written: ${REASONS[code] ?? `the system says ${code}`}, then start again. Nothing was changed.`;

/** A private folder under .data, made when missing. */
export function dataFolder(...parts) {
  const folder = join(dataDir, ...parts);
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    accessSync(folder, constants.W_OK | constants.X_OK);
  } catch (error) {
    throw new Stop(unwritable(folder, error.code));
  }
  return folder;
}
