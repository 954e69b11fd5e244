import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The server and its threads as two files with the packages of the house in them: a process begins in half a second. */
export default defineConfig({
  root: here('.'),
  ssr: { noExternal: [/^@finch\//] },
  build: {
    ssr: true,
    target: 'node20',
    sourcemap: true,
    rollupOptions: {
      input: { main: here('src/main.ts'), worker: here('src/work/worker.ts') },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
