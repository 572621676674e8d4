import { Router } from 'express';
import Joi from 'joi';
import { checked } from '../shared/resource.routes.js';
import type { BackupsService } from './backups.service.js';

export const backupNameSchema = Joi.object<{ name: string }>({
  name: Joi.string().max(100).required().messages({ '*': 'Name the backup, as the list has it.' }),
}).required();

/** The backups there are, one more now, and one put back. */
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
    });
}
