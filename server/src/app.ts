import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { pino, type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { format } from 'date-fns/format';
import type { Database } from './storage/database.js';
import { sensibleBody } from './platform/body.js';
import { HttpProblem, problemHandler } from './platform/problem.js';
import { storeOf } from './storage/store.js';
import { refuseStrangers, requireJson } from './platform/strangers.js';
import { Commands } from './storage/commands.js';
import { WorkshopService } from './features/workshop/workshop.service.js';
import { RESOURCE_ROUTES, ALL_ROUTES } from '@mellow-anvil/contract';
import { aboutRoutes } from './features/about/about.routes.js';
import { abrasives } from './features/abrasives/abrasives.js';
import { careDrafts } from './features/abrasives/care-drafts.js';
import { cares } from './features/abrasives/cares.js';
import { setsRoutes } from './features/abrasives/sets.routes.js';
import { backupsRoutes } from './features/backups/backups.routes.js';
import { boardDrafts } from './features/boards/board-drafts.js';
import { boards } from './features/boards/boards.js';
import { boardPrintRoute } from './features/boards/boards.routes.js';
import { calcRoutes, noSuchCalculation } from './features/calc/calc.routes.js';
import { cardRoute } from './features/cards/card.routes.js';
import { guides } from './features/guides/guides.js';
import { patternsRoutes, noSuchPattern } from './features/patterns/patterns.routes.js';
import { Printer } from './features/patterns/printer.js';
import { honingPlanRoute } from './features/plans/honing-plan.routes.js';
import { planDrafts } from './features/plans/plan-drafts.js';
import { plans } from './features/plans/plans.js';
import { Reckoner } from './features/records/reckoner.js';
import { recordsRoutes } from './features/records/records.routes.js';
import { runsRoutes } from './features/runs/runs.routes.js';
import { RunsService } from './features/runs/runs.service.js';
import { sessionDrafts } from './features/sessions/session-drafts.js';
import { sessions } from './features/sessions/sessions.js';
import { settings } from './features/settings/settings.js';
import { settingsRoutes } from './features/settings/settings.routes.js';
import { tools } from './features/tools/tools.js';
import { undoRoutes } from './features/undo/undo.routes.js';
import { beginningRoute } from './features/workshop/beginning.route.js';
import { workshopRoutes } from './features/workshop/workshop.routes.js';
import { KINDS } from './kinds.js';
import { insistAllServed, routerOf } from './platform/serve.js';
import { LongWork, longWorkRoute } from './platform/long-work.js';
import { BackupsService } from './storage/backups.js';
import { resourceRoutes } from './storage/resource.routes.js';

export interface AppOptions {
  readonly database: Database;
  /** Folder of the built page; without it only the API answers. */
  readonly webFolder?: string;
  readonly log?: Logger;
}

/** What a body may weigh that holds one thing. */
const BODY_LIMIT = '256kb';

const PACKED_FROM_BYTES = 4096;

/** The whole server as one Express application over an open database. */
export function createApp({ database, webFolder, log = pino({ level: 'silent' }) }: AppOptions): {
  app: Express;
  workshop: WorkshopService;
  backups: BackupsService;
  reckoner: Reckoner;
} {
  const commands = new Commands(database, KINDS);
  const workshop = new WorkshopService(commands);
  const store = {
    tools: storeOf(tools, database, commands),
    guides: storeOf(guides, database, commands),
    boards: storeOf(boards, database, commands),
    abrasives: storeOf(abrasives, database, commands),
    cares: storeOf(cares, database, commands),
    plans: storeOf(plans, database, commands),
    sessions: storeOf(sessions, database, commands),
    settings: storeOf(settings, database, commands),
  };
  const printer = new Printer(store.settings);
  const reckoner = new Reckoner(database, commands);
  const works = new LongWork();
  const forget = (): void => reckoner.forget();
  const backups = new BackupsService(database, log, forget);

  // A workshop file passes through on its own way: it may weigh what no other body does.
  const asTheyCome = workshopRoutes(database, works, forget);
  const served = [
    longWorkRoute(works),
    cardRoute(store.tools, store.guides, store.boards, store.abrasives, reckoner, printer),
    ...resourceRoutes(RESOURCE_ROUTES.tools, store.tools),
    ...resourceRoutes(RESOURCE_ROUTES.guides, store.guides),
    boardPrintRoute(store.boards, store.guides, printer),
    ...resourceRoutes(RESOURCE_ROUTES.boards, store.boards, boardDrafts(store.guides, today)),
    ...patternsRoutes(printer),
    ...resourceRoutes(RESOURCE_ROUTES.abrasives, store.abrasives),
    ...resourceRoutes(RESOURCE_ROUTES.cares, store.cares, careDrafts(store.abrasives)),
    ...setsRoutes(commands),
    ...resourceRoutes(
      RESOURCE_ROUTES.plans,
      store.plans,
      planDrafts(store.tools, store.guides, store.abrasives, reckoner),
    ),
    ...resourceRoutes(RESOURCE_ROUTES.sessions, store.sessions, sessionDrafts(store.tools)),
    ...recordsRoutes(reckoner),
    ...runsRoutes(new RunsService(database, commands)),
    ...backupsRoutes(backups),
    ...settingsRoutes(store.settings, commands),
    honingPlanRoute(store.tools, store.abrasives, reckoner),
    ...calcRoutes(),
    beginningRoute(commands),
    ...undoRoutes(commands, database, works, forget),
    ...aboutRoutes(database),
  ];
  insistAllServed(ALL_ROUTES, [...asTheyCome, ...served]);

  const api = express.Router();
  api.use((_request, response, next) => {
    // What is stored changes with every tap; only the page's own files may be kept.
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.use(requireJson);
  api.use(routerOf(asTheyCome));
  api.use(express.json({ limit: BODY_LIMIT }), sensibleBody);
  api.use(routerOf(served));
  api.post('/calc/:name', noSuchCalculation);
  api.get('/patterns/:name', noSuchPattern);
  // How the stones stand was asked for under this name until 0.10.
  api.get('/bench{/:id}', ({ params: { id } }, response) => {
    response.redirect(308, `/api/stones${id === undefined ? '' : `/${encodeURIComponent(id)}`}`);
  });
  api.use((request) => {
    throw new HttpProblem(
      404,
      'No such address',
      `${request.method} ${request.path.slice(0, 100)} is not part of this server.`,
    );
  });

  const app = express();
  app.disable('x-powered-by');
  // Answers of the API are never the same for long; a hash of each would be work for nothing.
  app.disable('etag');
  app.use(pinoHttp({ logger: log, useLevel: 'debug' }));
  app.use((_request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: [
            "'self'",
            (_request, response) => `'nonce-${(response as express.Response).locals['nonce'] as string}'`,
          ],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(refuseStrangers);
  // An answer of a few lines is not worth packing.
  app.use(compression({ threshold: PACKED_FROM_BYTES }));
  app.use('/api', api);
  if (webFolder && existsSync(join(webFolder, 'index.html'))) servePage(app, webFolder);
  app.use(problemHandler(log));
  return { app, workshop, backups, reckoner };
}

/** The built page: hashed files for good, index.html fresh with the nonce its styles need. */
function servePage(app: Express, folder: string): void {
  const index = readFileSync(join(folder, 'index.html'), 'utf8');
  // The page is sent with its nonce, under whichever address; never as the file it lies in.
  app.get('/index.html', (_request, response) => response.redirect(301, '/'));
  app.get('/notices.txt', (_request, response) => {
    response.type('text/plain').send(notices(folder));
  });
  app.use(
    // As they were packed when the page was built.
    expressStaticGzip(folder, {
      index: false,
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      serveStatic: {
        redirect: false,
        setHeaders: (response, path) => {
          const hashed = /-[\w-]{8}\.[a-z0-9]+(\.br|\.gz)?$/.test(path);
          response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
        },
      },
    }),
  );
  app.get('/{*path}', (request, response, next) => {
    if (/\.[a-z0-9]+$/i.test(request.path)) {
      next(new HttpProblem(404, 'Not found', 'There is no such file.'));
      return;
    }
    response
      .type('html')
      .set('Cache-Control', 'no-store')
      .send(index.replaceAll('NONCE_PLACEHOLDER', response.locals['nonce'] as string));
  });
}

/** Who made what this stands on: the repository's own list, then the page's packages in full. */
function notices(webFolder: string): string {
  const files = [join(webFolder, '../../../NOTICES.md'), join(webFolder, '../3rdpartylicenses.txt')];
  return files
    .filter((file) => existsSync(file))
    .map((file) => readFileSync(file, 'utf8'))
    .join('\n\n');
}

/** This machine's day. */
const today = (): string => format(new Date(), 'yyyy-MM-dd');
