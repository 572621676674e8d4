import { Router } from 'express';
import { backupNameSchema } from '@mellow-anvil/contract';
import { checked } from '../shared/resource.routes.js';
import type { BackupsService } from './backups.service.js';

/** The backups there are, one more now, one put back, and the other ways out of a damaged file. */
export function backupsRoutes(backups: BackupsService): Router {
  return Router()
    .get('/', async (_request, response) => {
      response.json(await backups.list());
    })
    .post('/', async (_request, response) => {
      response.status(201).json(await backups.make());
    })
    .post('/restore', async (request, response) => {
      response.json(await backups.restore(checked(backupNameSchema, request.body).name));
    })
    .post('/open-as-it-is', async (_request, response) => {
      await backups.openAsItIs();
      response.status(204).end();
    })
    .post('/begin-anew', async (_request, response) => {
      response.json(await backups.beginAnew());
    });
}
