import { availableParallelism } from 'node:os';
const esmOnly = [
  'd3-.*',
  'internmap',
  'ts-fsrs',
  'tonal',
  '@tonaljs',
  'valibot',
  'fast-check',
  'pure-rand',
  'yalps',
  'heap',
  'uuid',
  'idb',
  'date-fns',
  '@date-fns',
  'comlink',
  'bootstrap-vue-next',
  'pinia',
  'nostics',
  'pitchy',
  '@vueuse',
].join('|');
const transform = {
  '^.+\\.vue$': '<rootDir>/scripts/jest-vue.cjs',
  '^.+\\.(t|j|mj)s$': [
    '@swc/jest',
    { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
  ],
};
const shared = {
  transform,
  transformIgnorePatterns: [`/node_modules/(?!(${esmOnly})/)`],
  moduleFileExtensions: ['ts', 'js', 'mjs', 'json', 'vue'],
  testEnvironment: 'node',
};
export default {
  // In workers that are begun anew when they have grown: one process for all files runs out of memory on two cores.
  maxWorkers: Math.max(2, availableParallelism() - 1),
  workerIdleMemoryLimit: '1GB',
  // No test asserts a time: this ends only what hangs, on a machine that is busy with others too.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'core',
      roots: ['<rootDir>/packages/core/src', '<rootDir>/packages/contract/src'],
    },
    {
      ...shared,
      displayName: 'web',
      roots: ['<rootDir>/packages/web/src'],
      // What only the bundler knows: an icon is an empty drawing, a worker is never started.
      moduleNameMapper: {
        '^~icons/': '<rootDir>/scripts/jest-icon.cjs',
        '\\?worker$': '<rootDir>/scripts/jest-icon.cjs',
      },
    },
    {
      ...shared,
      displayName: 'server',
      roots: ['<rootDir>/packages/server/src', '<rootDir>/bench', '<rootDir>/scripts/lib'],
    },
  ],
};
