import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { pino, type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { format } from 'date-fns';
import { abrasives } from './abrasives/abrasives.js';
import { cares } from './abrasives/cares.js';
import { setsRoutes } from './abrasives/sets.routes.js';
import { backupsRoutes } from './backups/backups.routes.js';
import { BackupsService } from './backups/backups.service.js';
import { boards } from './boards/boards.js';
import { boardPrintRoutes } from './boards/boards.routes.js';
import { calcRoutes } from './calc/calc.routes.js';
import { guides } from './guides/guides.js';
import { patternsRoutes } from './patterns/patterns.routes.js';
import { Printer } from './patterns/printer.js';
import { plans } from './plans/plans.js';
import { honingPlanRoutes } from './plans/honing-plan.routes.js';
import { benchRoutes, recordsRoutes } from './records/records.routes.js';
import { Reckoner } from './records/reckoner.js';
import { runsRoutes } from './runs/runs.routes.js';
import { RunsService } from './runs/runs.service.js';
import { sessions } from './sessions/sessions.js';
import { settings } from './settings/settings.js';
import { settingsRoutes } from './settings/settings.routes.js';
import type { Database } from './storage/database.js';
import { sensibleBody } from './shared/body.js';
import { boardDrafts, careDrafts, planDrafts, sessionDrafts } from './shared/drafts.js';
import { HttpProblem, problemHandler } from './shared/problem.js';
import { resourceRoutes } from './shared/resource.routes.js';
import { storeOf } from './shared/store.js';
import { refuseStrangers, requireJson } from './shared/strangers.js';
import { VERSION } from './shared/version.js';
import { LongWork, longWorkRoutes } from './workers/long-work.js';
import { figured } from './workers/workers.js';
import { cardRoutes } from './tools/card.routes.js';
import { tools } from './tools/tools.js';
import { Commands } from './undo/commands.js';
import { undoRoutes } from './undo/undo.routes.js';
import { workshopRoutes } from './workshop/workshop.routes.js';
import { WorkshopService } from './workshop/workshop.service.js';

export interface AppOptions {
  readonly database: Database;
  /** Folder of the built page; without it only the API answers. */
  readonly webFolder?: string;
  readonly log?: Logger;
}

/** What a body may weigh that holds one thing. */
const BODY_LIMIT = '256kb';

/** The whole server as one Express application over an open database. */
export function createApp({ database, webFolder, log = pino({ level: 'silent' }) }: AppOptions): {
  app: Express;
  workshop: WorkshopService;
  backups: BackupsService;
  reckoner: Reckoner;
} {
  const commands = new Commands(database);
  const workshop = new WorkshopService(database, commands);
  const toolStore = storeOf(tools, database, commands);
  const guideStore = storeOf(guides, database, commands);
  const boardStore = storeOf(boards, database, commands);
  const abrasiveStore = storeOf(abrasives, database, commands);
  const planStore = storeOf(plans, database, commands);
  const sessionStore = storeOf(sessions, database, commands);
  const settingsStore = storeOf(settings, database, commands);
  const printer = new Printer(settingsStore);
  const careStore = storeOf(cares, database, commands);
  const reckoner = new Reckoner(database, commands);
  const runs = new RunsService(database, commands);
  const works = new LongWork();
  const forget = (): void => reckoner.forget();
  const backups = new BackupsService(database, log, forget);

  const api = express.Router();
  api.use((_request, response, next) => {
    // What is stored changes with every tap; only the page's own files may be kept.
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.use(requireJson);
  api.use('/workshop', workshopRoutes(database, works, forget));
  api.use('/work', longWorkRoutes(works));
  api.use(express.json({ limit: BODY_LIMIT }), sensibleBody);
  api.use('/tools', cardRoutes(toolStore, guideStore, boardStore, abrasiveStore, reckoner, printer));
  api.use('/tools', resourceRoutes(tools, toolStore));
  api.use('/guides', resourceRoutes(guides, guideStore));
  api.use('/boards', boardPrintRoutes(boardStore, guideStore, printer));
  api.use('/boards', resourceRoutes(boards, boardStore, boardDrafts(guideStore, today)));
  api.use('/patterns', patternsRoutes(printer));
  api.use('/abrasives', resourceRoutes(abrasives, abrasiveStore));
  api.use('/cares', resourceRoutes(cares, careStore, careDrafts(abrasiveStore)));
  api.use('/bench', benchRoutes(reckoner));
  api.use('/sets', setsRoutes(database, commands));
  api.use(
    '/plans',
    resourceRoutes(plans, planStore, planDrafts(toolStore, guideStore, abrasiveStore, reckoner)),
  );
  api.use('/sessions', resourceRoutes(sessions, sessionStore, sessionDrafts(toolStore)));
  api.use('/records', recordsRoutes(reckoner));
  api.use('/runs', runsRoutes(runs));
  api.use('/backups', backupsRoutes(backups));
  api.use('/settings', settingsRoutes(settingsStore, database, commands));
  api.use('/calc/honing-plan', honingPlanRoutes(toolStore, abrasiveStore, reckoner));
  api.use('/calc', calcRoutes());
  api.use('/undo', undoRoutes(commands, database, works, forget));
  const described = once(() => figured('describe', 'server'));
  const fileSchema = once(() => figured('describe', 'file'));
  api.get('/openapi.json', async (_request, response) => {
    response.type('json').send(await described());
  });
  api.get('/workshop.schema.json', async (_request, response) => {
    response.type('json').send(await fileSchema());
  });
  api.get('/health', async (_request, response) => {
    await database.sequelize.query('SELECT 1');
    response.json({ status: 'ok', version: VERSION, schema: database.schema });
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
  app.use('/api', api);
  // Only the page: on the loopback, packing an answer takes longer than sending it.
  app.use(compression());
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
    express.static(folder, {
      index: false,
      redirect: false,
      setHeaders: (response, path) => {
        const hashed = /-[A-Z0-9]{8}\.[a-z0-9]+$/.test(path);
        response.setHeader('Cache-Control', hashed ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (request, response, next) => {
    if (/\.[a-z0-9]+$/i.test(request.path))
      return next(new HttpProblem(404, 'Not found', 'There is no such file.'));
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

/** Works something out the first time it is asked for, and keeps it. */
function once<T>(work: () => T): () => T {
  let kept: T | undefined;
  return () => (kept ??= work());
}
