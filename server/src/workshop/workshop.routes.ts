import { Router } from 'express';
import type { WorkshopService } from './workshop.service.js';

/** The open file: out with GET, in with PUT. */
export function workshopRoutes(workshop: WorkshopService): Router {
  return Router()
    .get('/', async (_request, response) => {
      const file = await workshop.export();
      response.attachment(`${fileName(file.name)}.workshop.json`).json(file);
    })
    .put('/', async (request, response) => {
      response.json(await workshop.import(request.body));
    });
}

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60) || 'workshop';
