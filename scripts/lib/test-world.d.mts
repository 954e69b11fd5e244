export interface World {
  readonly url: string;
  readonly port: number;
  readonly pid: number | null;
  readonly cluster: { readonly port: number; readonly pid: number; readonly accessFile: string };
  readonly start: () => Promise<void>;
  readonly stop: () => Promise<void>;
  readonly within: (milliseconds: number) => Promise<void>;
  readonly end: () => Promise<void>;
}
export const FIXED_NOW: string;
export const CHROMIUM: {
  readonly executablePath: string;
  readonly chromiumSandbox: boolean;
  readonly args: string[];
};
export function makeWorld(options?: { name?: string; clock?: string; empty?: boolean }): Promise<World>;
