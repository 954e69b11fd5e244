/** Names the program that reads logs and grades hands, by what stands in it: of another one nothing that was kept is believed. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** @param root folder of the project */
export function codeMark(root: string): string {
  const folder = join(root, 'packages', 'core', 'src');
  const hash = createHash('sha256');
  for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' }).sort())
    if (/(?<!\.test)\.(ts|json)$/.test(name)) hash.update(name).update(readFileSync(join(folder, name)));
  return hash.digest('base64url');
}
