// Each stage prints its name, then its seconds.
export async function stage(name, work) {
  const started = process.hrtime.bigint();
  process.stdout.write(`${name} ... `);
  const note = await work();
  const seconds = Number(process.hrtime.bigint() - started) / 1e9;
  process.stdout.write(`${seconds.toFixed(1)} s${note ? ` (${note})` : ''}\n`);
}

/** An error whose message is all a person needs; printed without a stack. */
export class Stop extends Error {}

export function fail(error) {
  process.stdout.write('\n');
  console.error(error instanceof Stop ? error.message : error);
  process.exitCode = 1;
}
