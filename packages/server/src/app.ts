/** Composition root: which services exist, what they are given, and which routes reach them. */
import { existsSync } from 'node:fs';
import { routes } from '@finch/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import session from 'express-session';
import helmet from 'helmet';
import { Pool } from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { makeAccounts } from './accounts/accounts.service';
import { makeBoard } from './board/board.service';
import { makeHomework } from './homework/homework.service';
import { makeLetters } from './letters/letters.service';
import { makeLessons } from './lessons/lessons.service';
import type { Clock } from './platform/clock';
import type { DatabaseAccess } from './platform/config';
import { readMeta } from './platform/database';
import { guard } from './platform/guard';
import { answerErrors, mount, requestId } from './platform/http';
import { SEATED_MS, sessionStore } from './platform/sessions';
import { servePages } from './platform/pages';
import { Refusal } from './platform/problems';
import { makeCheckUps } from './students/check-up.service';
import { makePracticeLog } from './practice/log.service';
import { makeMarks } from './marks/marks.service';
import { makePaper } from './paper/paper.service';
import { makeProposals } from './lessons/proposals';
import { makePieces } from './pieces/pieces.service';
import { makePracticeRoom } from './practice/room.service';
import { makeSchools } from './schools/schools.service';
import { makeClassView } from './students/class.service';
import { makeProgress } from './students/progress.service';
import { makeStates } from './students/states.service';
import { makeReports } from './students/report.service';
import { makeStudents } from './students/students.service';
import { makeSyllabuses } from './syllabus/syllabus.service';
import { codeMark } from './platform/code-mark';
import { makeWork } from './work/work';

export interface AppParts {
  readonly database: DataSource;
  readonly databaseName: string;
  readonly access: DatabaseAccess;
  readonly clock: Clock;
  readonly log: Logger;
  readonly demo: boolean;
  /** Folder of the built browser application, or null to serve the interface of programs alone. */
  readonly webDist: string | null;
  readonly threads: number;
  /** The program of a thread; see `work`. */
  readonly workerFile: string;
  /** Folder of the project, where the fonts for paper lie. */
  readonly root: string;
}

export interface App {
  readonly app: Express;
  /** Reads a Board once, so that the first who asks for it is not the one who waits. */
  readonly warm: () => Promise<void>;
  readonly close: () => Promise<void>;
}

export function makeApp(parts: AppParts): App {
  const { database, access, clock, log } = parts;
  const pool = new Pool({
    host: access.host,
    port: access.port,
    user: 'finch_app',
    password: access.application,
    database: parts.databaseName,
    max: 4,
  });
  pool.on('error', (error) => log.error({ err: error.message }, 'session pool'));
  const store = sessionStore(pool);

  const work = makeWork(parts.workerFile, parts.threads, {
    root: parts.root,
    access,
    databaseName: parts.databaseName,
  });
  const states = makeStates(work, codeMark(parts.root));
  const accounts = makeAccounts(database, clock, parts.demo);
  const students = makeStudents(database, clock, states, work);
  const classView = makeClassView(database, clock, states);
  const progress = makeProgress(database, clock, states);
  const letters = makeLetters(database, clock);
  const checkUps = makeCheckUps(database, clock, states);
  const syllabuses = makeSyllabuses(database, clock, work);
  const reports = makeReports(database, clock, states);
  const lessons = makeLessons(database, clock, states, work);
  const proposals = makeProposals(work, log);
  const board = makeBoard({ database, clock, states, work, log, proposals });
  const practiceLog = makePracticeLog(database, clock);
  const room = makePracticeRoom(database, clock, states, work);
  const homework = makeHomework(database, clock, states, work);
  const schools = makeSchools(database);
  const marks = makeMarks(database);
  const pieces = makePieces(database, clock);
  const paper = makePaper(work, clock);

  const app = express();
  app.disable('x-powered-by');
  app.use(requestId);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          // The music font travels inside its script.
          fontSrc: ["'self'", 'data:'],
          workerSrc: ["'self'"],
          connectSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(guard);
  app.use(compression());

  const api = express.Router();
  api.use(express.json({ limit: '1mb' }));
  api.use(
    session({
      name: 'finch.seat',
      store,
      secret: access.cookie,
      resave: false,
      saveUninitialized: false,
      cookie: { httpOnly: true, sameSite: 'strict', secure: false, maxAge: SEATED_MS },
    }),
  );
  mount(api, routes.health, async () => {
    const migration: { name: string }[] = await database.query(
      'SELECT name FROM migration ORDER BY id DESC LIMIT 1',
    );
    const stray: { count: string }[] = await database.query('SELECT stray_events() AS count');
    return {
      ok: stray[0].count === '0',
      database: true,
      migration: migration[0]?.name ?? null,
      strayEvents: Number(stray[0].count),
    };
  });
  mount(api, routes.seats, async () => ({ seats: await accounts.seats() }));
  mount(api, routes.session, ({ request }) => accounts.session(request));
  mount(api, routes.sitDown, ({ request, body }) => accounts.sitDown(request, body.membershipId));
  mount(api, routes.standUp, ({ request }) => accounts.standUp(request));
  mount(api, routes.nameStudio, ({ request, body }) => accounts.nameStudio(request, body));
  mount(api, routes.board, async ({ request }) => board.read(await accounts.identify(request)));
  mount(api, routes.class, async ({ request }) => classView.read(await accounts.identify(request)));
  mount(api, routes.progress, async ({ request }) => progress.read(await accounts.identify(request)));
  mount(api, routes.letters, async ({ request }) => letters.list(await accounts.identify(request)));
  mount(api, routes.sendLetter, async ({ request, params, body }) =>
    letters.send(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.changeLetter, async ({ request, params, body }) =>
    letters.change(await accounts.identify(request), params.letterId, body),
  );
  mount(api, routes.syllabus, async ({ request }) => syllabuses.read(await accounts.identify(request)));
  mount(api, routes.syllabusVersions, async ({ request }) =>
    syllabuses.versions(await accounts.identify(request)),
  );
  mount(api, routes.syllabusVersion, async ({ request, params }) =>
    syllabuses.version(await accounts.identify(request), params.versionId),
  );
  mount(api, routes.keepSyllabus, async ({ request, body }) =>
    syllabuses.keep(await accounts.identify(request), body.version, body.content),
  );
  mount(api, routes.addStudent, async ({ request, body }) =>
    students.add(await accounts.identify(request), body),
  );
  mount(api, routes.student, async ({ request, params }) =>
    students.read(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.report, async ({ request, params }) =>
    reports.read(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.why, async ({ request, params }) =>
    students.why(await accounts.identify(request), params.studentId, params.skillId),
  );
  mount(api, routes.keepStudent, async ({ request, params, body }) =>
    students.keep(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.mergeStudent, async ({ request, params, body }) =>
    students.merge(await accounts.identify(request), params.studentId, body.version, body.double),
  );
  mount(api, routes.eraseStudent, async ({ request, params, body }) =>
    students.erase(await accounts.identify(request), params.studentId, body.name),
  );
  mount(api, routes.endHome, async ({ request, params, body }) =>
    room.end(await accounts.identify(request), params.studentId, params.cardId, body.ended),
  );
  mount(api, routes.nameSeat, async ({ request, params, body }) =>
    accounts.nameSeat(await accounts.identify(request), params.membershipId, body.name),
  );
  mount(api, routes.moveLesson, async ({ request, params, body }) =>
    lessons.move(await accounts.identify(request), params.lessonId, body),
  );
  mount(api, routes.lessons, async ({ request, query }) => ({
    lessons: await lessons.between(
      await accounts.identify(request),
      new Date(query.from),
      new Date(query.to),
    ),
  }));
  mount(api, routes.keepHand, async ({ request, params, body }) =>
    students.keepHand(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.keepGoals, async ({ request, params, body }) =>
    students.keepGoals(await accounts.identify(request), params.studentId, body.version, body.goals),
  );
  mount(api, routes.keepPractice, async ({ request, params, body }) =>
    students.keepPractice(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.homework, async ({ request, params }) =>
    homework.read(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.proposeWeek, async ({ request, params, body }) =>
    homework.propose(await accounts.identify(request), params.studentId, body.days),
  );
  mount(api, routes.keepWeek, async ({ request, params, body }) =>
    homework.keep(await accounts.identify(request), params.studentId, body.version, body.week),
  );
  mount(api, routes.keepNote, async ({ request, params, body }) =>
    students.keepNote(await accounts.identify(request), params.studentId, body.version, body.note),
  );
  mount(api, routes.propose, async ({ request, params, body }) =>
    lessons.propose(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.checkUp, async ({ request, params }) =>
    checkUps.read(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.questions, async ({ request, params }) =>
    room.questions(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.practice, async ({ request, params }) =>
    room.today(await accounts.identify(request), params.studentId),
  );
  mount(api, routes.assignHome, async ({ request, params, body }) =>
    room.assign(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.bookLesson, async ({ request, body }) =>
    lessons.book(await accounts.identify(request), body),
  );
  mount(api, routes.lesson, async ({ request, params }) =>
    lessons.read(await accounts.identify(request), params.lessonId),
  );
  mount(api, routes.keepPlan, async ({ request, params, body }) =>
    lessons.keepPlan(await accounts.identify(request), params.lessonId, body),
  );
  mount(api, routes.putInPlan, async ({ request, params, body }) =>
    lessons.putInPlan(await accounts.identify(request), params.lessonId, body.block, body.again),
  );
  mount(api, routes.keepShare, async ({ request, params, body }) =>
    lessons.keepShare(await accounts.identify(request), params.lessonId, body),
  );
  mount(api, routes.keepWriteUp, async ({ request, params, body }) =>
    lessons.keepWriteUp(await accounts.identify(request), params.lessonId, body),
  );
  mount(api, routes.schools, async ({ request, query }) =>
    schools.read(await accounts.identify(request), query.student),
  );
  mount(api, routes.keepSchools, async ({ request, params, body }) =>
    schools.keep(await accounts.identify(request), params.scope, params.subjectId, body),
  );
  mount(api, routes.keepPin, async ({ request, params, body }) =>
    marks.keepPin(await accounts.identify(request), params.studentId, body),
  );
  mount(api, routes.keepHook, async ({ request, body }) =>
    marks.keepHook(await accounts.identify(request), body),
  );
  mount(api, routes.pieces, async ({ request }) => ({
    pieces: await pieces.list(await accounts.identify(request)),
  }));
  mount(api, routes.keepPiece, async ({ request, params, body }) =>
    pieces.keep(await accounts.identify(request), params.pieceId, body),
  );
  mount(api, routes.removePiece, async ({ request, params, query }) =>
    pieces.remove(await accounts.identify(request), params.pieceId, Number(query.version)),
  );
  mount(api, routes.paper, async ({ request, body }) => {
    await accounts.identify(request);
    return paper.print(body);
  });
  mount(api, routes.sendEvents, async ({ request, body }) =>
    practiceLog.send(await accounts.identify(request), body.events),
  );
  // Where programs that watch servers look first; the answer is the API's.
  app.get('/health', (_request, response) => response.redirect(307, routes.health.path));
  app.use(api);
  app.use('/api', () => {
    throw new Refusal('not-found', 'path', 'a route of this server');
  });

  if (parts.webDist && existsSync(parts.webDist)) servePages(app, parts.webDist);
  app.use(answerErrors(log));
  return {
    app,
    warm: async () => {
      const studioId = await readMeta(database, 'studio');
      if (studioId) await board.warm(studioId);
    },
    close: async () => {
      await store.close();
      await pool.end().catch(() => undefined);
      await work.close();
    },
  };
}
