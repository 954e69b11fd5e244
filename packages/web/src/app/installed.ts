/** The application as it is kept on this device; a newer version of it is offered, never forced: what was typed and kept stays. */
import { registerSW } from 'virtual:pwa-register';
import { useNotices } from '../session/notices';

const HOUR_MS = 3_600_000;

export function keepInstalled(): void {
  if (!('serviceWorker' in navigator)) return;
  const load = registerSW({
    onNeedRefresh: () =>
      useNotices().tell('A newer version of this page is here.', [
        { label: 'Load it', run: () => load(true) },
      ]),
    // A page that stays open for days asks for itself.
    onRegisteredSW: (_, registration) =>
      void setInterval(() => void registration?.update().catch(() => undefined), HOUR_MS),
  });
}
