import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@fontsource-variable/piazzolla/wght.css';
import 'bootstrap/dist/css/bootstrap.min.css';
import './tokens.css';
import './base.css';
import { VueQueryPlugin } from '@tanstack/vue-query';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { Refused, Unanswered } from '../session/api';
import { useSeat } from '../session/seat';
import App from './App.vue';
import { keepInstalled } from './installed';
import { router } from './router';

async function start(): Promise<void> {
  const app = createApp(App);
  app.use(createPinia());
  app.use(VueQueryPlugin, {
    queryClientConfig: {
      defaultOptions: {
        queries: {
          retry: (count, error) => !(error instanceof Refused) && count < 2,
          staleTime: 20_000,
          refetchOnWindowFocus: true,
        },
        mutations: { retry: false },
      },
    },
  });
  const seat = useSeat();
  try {
    await seat.open();
  } catch (error) {
    if (!(error instanceof Unanswered)) throw error;
    seat.gone();
  }
  app.use(router);
  app.mount('#app');
  keepInstalled();
}

void start();
