import { Refused, Unanswered } from './api';
import { useKeeping } from './keeping';

interface Note {
  version: number;
  text: string;
}

/** A server with one note; `send` follows its version as the real one does. */
function desk(server: Note, mine: string) {
  const screen = { text: mine };
  const state = { away: false, unreadable: false };
  const keeping = useKeeping<Note>({
    name: 'Note',
    send: async (version) => {
      if (state.away) throw new Unanswered('the server did not answer');
      if (version !== server.version)
        throw new Refused({ code: 'write.stale', at: 'version', detail: 'newer' }, 409);
      server.version += 1;
      server.text = screen.text;
      return server.version;
    },
    newest: async () => {
      if (state.unreadable) throw new Unanswered('the server did not answer');
      return { ...server };
    },
    versionOf: (theirs) => theirs.version,
    inWords: (theirs) => `They wrote: ${theirs.text}`,
    show: (theirs) => (screen.text = theirs.text),
  });
  return { keeping, screen, server, state };
}

test('keeps again and again over its own versions', async () => {
  const { keeping, screen, server } = desk({ version: 3, text: 'old' }, 'mine');
  keeping.began(3);
  expect(await keeping.keep()).toBe(true);
  screen.text = 'mine again';
  expect(await keeping.keep()).toBe(true);
  expect(server).toEqual({ version: 5, text: 'mine again' });
  expect(keeping.trouble.value).toBe('');
});

test('a newer version overwrites nothing and is shown beside ours', async () => {
  const { keeping, screen, server } = desk({ version: 4, text: 'theirs' }, 'mine');
  keeping.began(3);
  expect(await keeping.keep()).toBe(false);
  expect(server.text).toBe('theirs');
  expect(screen.text).toBe('mine');
  expect(keeping.theirs.value).toBe('They wrote: theirs');
  expect(keeping.trouble.value).toContain('Yours is still here');
});

test('theirs may be taken, and edited on from there', async () => {
  const { keeping, screen, server } = desk({ version: 4, text: 'theirs' }, 'mine');
  keeping.began(3);
  await keeping.keep();
  await keeping.takeTheirs();
  expect([screen.text, keeping.theirs.value, keeping.trouble.value]).toEqual(['theirs', null, '']);
  screen.text = 'both';
  expect(await keeping.keep()).toBe(true);
  expect(server).toEqual({ version: 5, text: 'both' });
});

test('ours may be kept instead, unless yet another came between', async () => {
  const { keeping, server } = desk({ version: 4, text: 'theirs' }, 'mine');
  keeping.began(3);
  await keeping.keep();
  Object.assign(server, { version: 5, text: 'a third' });
  expect(await keeping.keepMine()).toBe(false);
  expect(keeping.theirs.value).toBe('They wrote: a third');
  expect(await keeping.keepMine()).toBe(true);
  expect(server).toEqual({ version: 6, text: 'mine' });
});

test('a server that is away is said, and nothing is offered', async () => {
  const { keeping, state } = desk({ version: 3, text: 'old' }, 'mine');
  keeping.began(3);
  state.away = true;
  expect(await keeping.keep()).toBe(false);
  expect(keeping.trouble.value).toMatch(/^Note not kept: The server did not answer/);
  expect(keeping.theirs.value).toBeNull();
  expect(await keeping.keepMine()).toBe(false);
  state.away = false;
  expect(await keeping.keep()).toBe(true);
});

test('when theirs cannot be read, ours stays and that is said', async () => {
  const { keeping, state, screen } = desk({ version: 4, text: 'theirs' }, 'mine');
  keeping.began(3);
  state.unreadable = true;
  expect(await keeping.keep()).toBe(false);
  expect(keeping.trouble.value).toContain('Theirs could not be read');
  expect(keeping.theirs.value).toBeNull();
  expect(screen.text).toBe('mine');
});
