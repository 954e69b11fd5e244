/** A client of the server with a connection and a seat of its own, for scripts that ask a great deal. */
import { Agent, request } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';

export interface Answer {
  readonly status: number;
  readonly ms: number;
  readonly bytes: number;
  readonly text: () => string;
}

export class Seat {
  readonly #agent = new Agent({ keepAlive: true, maxSockets: 1 });
  readonly #url: string;
  #cookie = '';

  constructor(url: string) {
    this.#url = url;
  }

  /** The session as a header says it. */
  get cookie(): string {
    return this.#cookie;
  }

  /** Asks as the page does; `packed` leaves the answer as it came through the wire. Rejects where nobody answers. */
  ask(path: string, method = 'GET', body?: unknown, packed = false): Promise<Answer> {
    const start = performance.now();
    return new Promise((resolve, reject) => {
      const headers = {
        cookie: this.#cookie,
        origin: this.#url,
        'content-type': 'application/json',
        'accept-encoding': packed ? 'gzip' : 'identity',
      };
      const asked = request(`${this.#url}${path}`, { method, agent: this.#agent, headers }, (answer) => {
        const chunks: Buffer[] = [];
        answer.on('data', (chunk: Buffer) => chunks.push(chunk));
        answer.on('error', reject);
        answer.on('end', () => {
          const [given] = answer.headers['set-cookie'] ?? [];
          if (given) this.#cookie = given.split(';')[0];
          const all = Buffer.concat(chunks);
          const status = answer.statusCode ?? 0;
          resolve({ status, ms: performance.now() - start, bytes: all.length, text: () => all.toString() });
        });
      });
      asked.on('error', reject);
      asked.end(body === undefined ? undefined : JSON.stringify(body));
    });
  }

  async json<T>(path: string, method = 'GET', body?: unknown): Promise<T> {
    let answer = await this.ask(path, method, body);
    // Told to come again, it does, for a while.
    for (let tries = 0; answer.status === 503 && tries < 30; tries++) {
      await sleep(500);
      answer = await this.ask(path, method, body);
    }
    if (answer.status !== 200) throw new Error(`${method} ${path}: ${answer.status} ${answer.text()}`);
    return JSON.parse(answer.text()) as T;
  }

  async sit(membershipId: string): Promise<this> {
    await this.json('/api/session', 'POST', { membershipId });
    return this;
  }

  /** Lets go of the connection. */
  leave(): void {
    this.#agent.destroy();
  }
}

/** Everybody who may sit down there. */
export async function seatsAt(
  url: string,
): Promise<{ membershipId: string; roles: string[]; studentId: string | null }[]> {
  const { seats } = await new Seat(url).json<{ seats: Awaited<ReturnType<typeof seatsAt>> }>('/api/seats');
  return seats;
}

export async function teacherAt(url: string): Promise<string> {
  const teacher = (await seatsAt(url)).find((one) => one.roles.includes('teacher'));
  if (!teacher) throw new Error('nobody teaches here');
  return teacher.membershipId;
}

/** The smallest time that a share of the answers stays within, ms. */
export function within(answers: readonly { readonly ms: number }[], share: number): number {
  const sorted = answers.map((one) => one.ms).sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}
