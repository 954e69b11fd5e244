import { createRequire } from 'node:module';
import vue from '@vitejs/plugin-vue';
import Icons from 'unplugin-icons/vite';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/**
 * Of Bootstrap's style only what is named somewhere stays: in our screens, or in the components of the library that they
 * use. Names that are put together while it runs ("btn-" and a variant) are kept by their beginning. Our own styles are
 * left whole, since they are scoped to what uses them.
 */
// What it exports is the plugin itself, whatever its types say.
const purgeCSSPlugin = createRequire(import.meta.url)(
  '@fullhuman/postcss-purgecss',
) as (typeof import('@fullhuman/postcss-purgecss'))['purgeCSSPlugin'];
const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const purge = purgeCSSPlugin({
  content: [
    here('./src/**/*.{vue,ts}'),
    here('./index.html'),
    here('../../node_modules/bootstrap-vue-next/dist/B{Button,CloseButton,Form,Link,Modal,Tab}*.js'),
  ],
  safelist: { greedy: [/^\.?(btn|form|modal|nav|tab|fade|show|active|disabled|is-)/] },
});

/**
 * The application on the device: every file of it is kept there, so that it opens without a network; what the server says is kept
 * by the session alone (`offline-copy.ts`). A newer version waits until it is asked for: nobody's page changes while they play.
 */
const installed = VitePWA({
  registerType: 'prompt',
  injectRegister: false,
  manifest: {
    name: 'Zealous Finch',
    short_name: 'Finch',
    description: 'Guitar teaching and practice: grips, changes, drills and what each student holds.',
    theme_color: '#16202A',
    background_color: '#DDE3DF',
    display: 'standalone',
    start_url: '/',
    icons: [{ src: '/finch.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    maximumFileSizeToCacheInBytes: 6_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/schemas\//, /\.[a-z0-9]{2,5}$/],
    cleanupOutdatedCaches: true,
  },
});

export default defineConfig({
  plugins: [vue(), Icons({ compiler: 'vue3' }), installed],
  worker: { format: 'es' },
  css: {
    postcss: {
      plugins: [
        {
          postcssPlugin: 'used-of-bootstrap',
          OnceExit: (root, helpers) =>
            root.source?.input.file?.includes('/bootstrap/dist/')
              ? purge.OnceExit?.(root, helpers)
              : undefined,
        },
      ],
    },
  },
  build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://localhost:4310' } },
});
